// ./stennet backup FILE, restore FILE: everything of a shop's database and its keys in one file;
// checked before anything is replaced.
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { createHash } from 'node:crypto';
import { isEncrypted, pack, publicKeys, unpack } from './backupFile.mjs';
import { clusterIn, dataHome, keyFolder } from './cluster.mjs';
import { ensurePostgres, Refusal, root } from './install.mjs';
import { assertHome, node } from './serving.mjs';
import { DATABASE, runningShop } from './shop.mjs';
import { LIST, noteBackup } from './madeBackups.mjs';
import { loadTables, saveTables } from './tables.mjs';

const FRESH = 'stennet_restoring';
const MIGRATIONS = path.join(root, 'server/migrations');

/**
 * PostgreSQL of this installation, running while the work lasts; and a folder that only this user
 * can look into, which goes with it.
 */
export async function withCluster(work) {
  process.umask(0o077);
  ensurePostgres();
  const home = dataHome();
  assertHome(home);
  const cluster = clusterIn(home);
  const wasRunning = cluster.running();
  if (!wasRunning) await cluster.start();
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-backup-'));
  try {
    return await work({ home, cluster, folder });
  } finally {
    fs.rmSync(folder, { recursive: true, force: true });
    if (!wasRunning) cluster.stop();
  }
}

/** From a file or the environment, never from the command line, which others can list. */
function passphraseOf({ 'passphrase-file': file }) {
  if (file && !fs.existsSync(file)) throw new Refusal(`No such file: ${file}`);
  return (
    (file ? fs.readFileSync(file, 'utf8').trim() : process.env.STENNET_PASSPHRASE) || undefined
  );
}

export async function backup([file], options) {
  if (!file)
    throw new Refusal(
      'Give a file name: ./stennet backup stennet-2026-11-25.tar [--passphrase-file F]',
    );
  const target = path.resolve(file);
  const passphrase = passphraseOf(options);
  await withCluster(async ({ home, cluster, folder }) => {
    if (!cluster.hasDatabase(DATABASE))
      throw new Refusal('There is no shop to back up yet. Create it with: ./stennet start');
    fs.mkdirSync(path.join(folder, 'tables'));
    fs.mkdirSync(path.join(folder, 'keys'));
    // Checkpoints first: what is sealed in the meantime is in the tables, and no line is known
    // outside that the tables lack.
    for (const name of fs.readdirSync(keyFolder(home)).filter((n) => n !== LIST))
      fs.copyFileSync(path.join(keyFolder(home), name), path.join(folder, 'keys', name));
    const { migrations } = saveTables(cluster.urls(DATABASE).admin, path.join(folder, 'tables'));
    await pack(folder, target, { migrations }, passphrase);
    noteBackup(keyFolder(home), { file: target, encrypted: passphrase !== undefined });
    const care = passphrase
      ? 'It opens only with the passphrase.'
      : 'Anyone with this file can sign as the shop; keep it safe, or encrypt it with --passphrase-file.';
    console.log(`Backed up to ${target}: the database and its signing keys. ${care}`);
  });
}

export async function restore([file], options) {
  if (!file || !fs.existsSync(file)) throw new Refusal('Give a file made by ./stennet backup.');
  const running = runningShop();
  if (running)
    throw new Refusal(`Stennet is running at ${running.url}. Stop it first: ./stennet stop`);
  const passphrase = passphraseOf(options);
  if (isEncrypted(file) && !passphrase)
    throw new Refusal(
      'This backup is encrypted. Give its passphrase in a file: --passphrase-file F',
    );
  await withCluster(async ({ home, cluster, folder }) => {
    const manifest = await unpack(path.resolve(file), folder, passphrase);
    assertOwnKeys(path.join(folder, 'keys'), keyFolder(home), options['other-keys'] === true);
    const older = migrationsOf(manifest, folder);
    node(['scripts/build-server.mjs']);
    cluster.dropDatabase(FRESH);
    const { owner } = cluster.ensureDatabase(FRESH);
    try {
      const env = { OWNER_DATABASE_URL: owner, KEY_DIR: path.join(folder, 'keys') };
      node(['server/dist/prepareDatabase.js', older], env);
      loadTables(owner, path.join(folder, 'tables'));
      node(['server/dist/prepareDatabase.js', MIGRATIONS], env);
      node(['server/dist/verify.js', '--all'], env);
    } catch (error) {
      cluster.dropDatabase(FRESH);
      throw new Refusal(`${error.message}\nNothing was replaced; your data is unchanged.`);
    }
    const stamp = new Date().toISOString().slice(0, 16).replace(/[-:T]/g, '');
    const had = cluster.hasDatabase(DATABASE);
    if (had) cluster.renameDatabase(DATABASE, `${DATABASE}_before_${stamp}`);
    cluster.renameDatabase(FRESH, DATABASE);
    takeKeys(path.join(folder, 'keys'), keyFolder(home), stamp);
    console.log(
      `Restored; every record was checked.${had ? ` The previous data is kept in database ${DATABASE}_before_${stamp}.` : ''} Start it: ./stennet start`,
    );
  });
}

/**
 * A backup of a shop that is here is signed with the key that is here; where no key is, on a new
 * machine, it brings its own.
 */
function assertOwnKeys(fresh, kept, isMeant) {
  const [theirs, ours] = [publicKeys(fresh), publicKeys(kept)];
  const other = Object.keys(theirs).find((shop) => ours[shop] && ours[shop] !== theirs[shop]);
  if (other && !isMeant)
    throw new Refusal(
      `This backup has a different signing key for shop ${other} than this machine. Someone else may have made it. If you know it is yours, restore it with --other-keys. Nothing was replaced.`,
    );
}

/**
 * A folder with just the migrations that made the tables of the backup: those that stand here, not
 * any that it brings.
 */
function migrationsOf({ migrations }, folder) {
  const older = path.join(folder, 'migrations');
  fs.mkdirSync(older);
  for (const [name, hash] of Object.entries(migrations ?? {})) {
    const own = path.join(MIGRATIONS, path.basename(name));
    if (!fs.existsSync(own))
      throw new Refusal(
        'This backup was made by a newer version of Stennet. Update this one first. Nothing was replaced.',
      );
    if (createHash('sha256').update(fs.readFileSync(own)).digest('hex') !== hash)
      throw new Refusal(
        `This backup's ${path.basename(name)} differs from this version's. Nothing was replaced.`,
      );
    fs.copyFileSync(own, path.join(older, path.basename(name)));
  }
  return older;
}

/** Keys and checkpoints of the backup in place of those that were here, which are kept aside. */
function takeKeys(fresh, kept, stamp) {
  const { uid, gid } = fs.statSync(kept);
  if (fs.readdirSync(kept).length > 0)
    fs.cpSync(kept, `${kept}-before-${stamp}`, { recursive: true });
  for (const shop of Object.keys(publicKeys(fresh)))
    fs.rmSync(path.join(kept, `${shop}.journal`), { force: true });
  for (const name of fs.readdirSync(fresh)) {
    const target = path.join(kept, name);
    fs.rmSync(target, { force: true });
    fs.copyFileSync(path.join(fresh, name), target);
    if (process.getuid() === 0) fs.chownSync(target, uid, gid);
  }
}
