// ./stennet backup FILE, restore FILE: everything of a shop's database and its keys in one file; checked before anything is replaced.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { clusterIn, dataHome, keyFolder, postgresProgram } from './cluster.mjs';
import { ensurePostgres, Refusal } from './install.mjs';
import { assertHome, node } from './serving.mjs';
import { DATABASE, runningShop } from './shop.mjs';

const FRESH = 'stennet_restoring';

/** PostgreSQL of this installation, running while the work lasts. */
async function withCluster(work) {
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

function run(program, args, why) {
  const done = spawnSync(program, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'], maxBuffer: 1e8 });
  if (done.error || done.status !== 0) throw new Refusal(`${why}:\n${(done.stderr ?? String(done.error)).slice(-1500)}`);
  return done.stdout;
}

const sha256 = (file) => createHash('sha256').update(fs.readFileSync(file)).digest('hex');

export async function backup([file]) {
  if (!file) throw new Refusal('Name the file: ./stennet backup stennet-2026-11-25.tar');
  const target = path.resolve(file);
  await withCluster(async ({ home, cluster, folder }) => {
    if (!cluster.hasDatabase(DATABASE)) throw new Refusal('There is nothing to keep a copy of yet: ./stennet start makes the shop.');
    run(postgresProgram('pg_dump'), ['-Fc', '-f', path.join(folder, 'database.dump'), cluster.urls(DATABASE).admin], 'The database could not be copied');
    fs.cpSync(keyFolder(home), path.join(folder, 'keys'), { recursive: true });
    const files = ['database.dump', ...fs.readdirSync(path.join(folder, 'keys')).map((name) => `keys/${name}`)];
    const manifest = { format: 'stennet-backup', v: 1, madeAt: new Date().toISOString(), files: Object.fromEntries(files.map((name) => [name, sha256(path.join(folder, name))])) };
    fs.writeFileSync(path.join(folder, 'manifest.json'), JSON.stringify(manifest, null, 1));
    // Beside it and renamed when whole: a copy that was cut off never looks like one.
    const half = `${target}.making`;
    run('tar', ['-cf', half, '-C', folder, 'manifest.json', ...files], 'The copy could not be written');
    fs.renameSync(half, target);
    fs.chmodSync(target, 0o600);
    console.log(`Kept in ${target}: the database and the keys its records are signed with. Whoever has this file can sign as the shop; keep it safe.`);
  });
}

export async function restore([file]) {
  if (!file || !fs.existsSync(file)) throw new Refusal('Name a file that ./stennet backup made.');
  const running = runningShop();
  if (running) throw new Refusal(`Stennet runs at ${running.url}. Stop it first: ./stennet stop`);
  await withCluster(async ({ home, cluster, folder }) => {
    unpack(path.resolve(file), folder);
    node(['scripts/build-server.mjs']);
    cluster.dropDatabase(FRESH);
    const urls = cluster.ensureDatabase(FRESH);
    try {
      run(postgresProgram('pg_restore'), ['--exit-on-error', '--clean', '--if-exists', '-d', urls.admin, path.join(folder, 'database.dump')], 'The copy does not restore');
      node(['server/dist/prepareDatabase.js', 'server/migrations'], { OWNER_DATABASE_URL: urls.owner });
      node(['server/dist/verify.js', '--all'], { OWNER_DATABASE_URL: urls.owner, KEY_DIR: path.join(folder, 'keys') });
    } catch (error) {
      cluster.dropDatabase(FRESH);
      throw new Refusal(`${error.message}\nNothing was replaced: the data that were there are as before.`);
    }
    const stamp = new Date().toISOString().slice(0, 16).replace(/[-:T]/g, '');
    if (cluster.hasDatabase(DATABASE)) cluster.renameDatabase(DATABASE, `${DATABASE}_before_${stamp}`);
    cluster.renameDatabase(FRESH, DATABASE);
    const keys = keyFolder(home);
    if (fs.readdirSync(keys).length > 0) fs.cpSync(keys, `${keys}-before-${stamp}`, { recursive: true });
    for (const name of fs.readdirSync(path.join(folder, 'keys'))) {
      fs.copyFileSync(path.join(folder, 'keys', name), path.join(keys, name));
      const { uid, gid } = fs.statSync(keys);
      if (process.getuid() === 0) fs.chownSync(path.join(keys, name), uid, gid);
    }
    console.log(`Restored, every record checked. What was there before is kept as database ${DATABASE}_before_${stamp}. Start it: ./stennet start`);
  });
}

/** Every file is what the list in it says, and nothing else is there. */
function unpack(file, folder) {
  const damaged = (why) => new Refusal(`${file} is damaged: ${why}. Nothing was replaced.`);
  const listed = spawnSync('tar', ['-tf', file], { encoding: 'utf8' });
  if (listed.status !== 0) throw damaged('it cannot be unpacked');
  const names = listed.stdout.split('\n').filter(Boolean);
  if (!names.includes('manifest.json') || names.some((name) => !/^(manifest\.json|database\.dump|keys\/[0-9a-f-]{36}\.pem)$/.test(name)))
    throw damaged('it holds other files than a copy does');
  run('tar', ['-xf', file, '-C', folder, '--no-same-owner'], 'It cannot be unpacked');
  const manifest = JSON.parse(fs.readFileSync(path.join(folder, 'manifest.json'), 'utf8'));
  for (const [name, hash] of Object.entries(manifest.files ?? {})) {
    if (!fs.existsSync(path.join(folder, name)) || sha256(path.join(folder, name)) !== hash) throw damaged(`${name} is not what it was`);
  }
  if (!manifest.files?.['database.dump']) throw damaged('the database is missing in it');
}
