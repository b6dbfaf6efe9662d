// ./stennet archive FOLDER: every change of the database as it happens, kept in another place, with
// a base to begin from.
import fs from 'node:fs';
import path from 'node:path';
import { withCluster } from './backup.mjs';
import { dataHome, keyFolder } from './cluster.mjs';
import { Refusal } from './install.mjs';
import { own, run } from './postgres.mjs';
import { DATABASE, runningShop } from './shop.mjs';

const KEPT_BASES = 2;
/** A file of the log goes out at least so often, however little is in it. */
const EVERY = '60s';
/** What stands in a shell's command and in PostgreSQL's own settings. */
const PLAIN = /^[\w./ -]+$/;

export const walOf = (folder) => path.join(folder, 'wal');
const basesOf = (folder) => path.join(folder, 'bases');

export function folderOf(given, home) {
  if (!given) throw new Refusal('Give a folder on another disk: ./stennet archive /mnt/stennet');
  const folder = path.resolve(given);
  if (!PLAIN.test(folder))
    throw new Refusal('The folder’s path may have letters, digits, spaces, dots and dashes only.');
  if (`${folder}/`.startsWith(`${path.resolve(home)}/`))
    throw new Refusal(`Choose a folder outside of ${home}, best on another disk.`);
  return folder;
}

/** Every base there is, the newest first. */
export function listBases(folder) {
  if (!fs.existsSync(basesOf(folder))) return [];
  return fs
    .readdirSync(basesOf(folder))
    .filter((name) => fs.existsSync(path.join(basesOf(folder), name, 'base.json')))
    .sort()
    .reverse()
    .map((name) => ({
      folder: path.join(basesOf(folder), name),
      ...JSON.parse(fs.readFileSync(path.join(basesOf(folder), name, 'base.json'), 'utf8')),
    }));
}

export async function archive([given]) {
  const home = dataHome();
  const folder = folderOf(given, home);
  await withCluster(async ({ cluster }) => {
    if (!cluster.hasDatabase(DATABASE))
      throw new Refusal('There is no shop to archive yet. Create it with: ./stennet start');
    for (const dir of [folder, walOf(folder), basesOf(folder)]) own(dir, 0o700);
    await turnOn(cluster, folder);
    const base = takeBase(cluster, folder, keyFolder(home));
    forgetOld(folder);
    console.log(
      `Archiving to ${folder} since ${base.at}. Put the shop back to any moment since then: ./stennet rewind ${given} --to TIME. Take a new base once a week by the same command. The folder holds the signing keys: keep it as safe as the shop.`,
    );
  });
}

/** Archiving begins with a start of PostgreSQL. */
async function turnOn(cluster, folder) {
  const wal = walOf(folder);
  // Whole or not at all, and never over what is there.
  const command = `test ! -f "${wal}/%f" && cp "%p" "${wal}/%f.part" && sync "${wal}/%f.part" && mv "${wal}/%f.part" "${wal}/%f"`;
  const set = (name, value) =>
    cluster.psql('postgres', `alter system set ${name} = '${value.replace(/'/g, "''")}'`);
  const isOn = cluster.psql('postgres', 'show archive_mode') === 'on';
  if (!isOn && runningShop())
    throw new Refusal(
      'Archiving begins with a start of PostgreSQL. Stop Stennet first: ./stennet stop',
    );
  set('archive_command', command);
  set('archive_timeout', EVERY);
  if (isOn) return void cluster.psql('postgres', 'select pg_reload_conf()');
  set('archive_mode', 'on');
  cluster.stop();
  await cluster.start();
}

function takeBase(cluster, folder, keys) {
  const s = cluster.state();
  const name = new Date().toISOString().slice(0, 19).replace(/[-:]/g, '');
  const making = path.join(basesOf(folder), `${name}.making`);
  const wal = cluster.psql('postgres', 'select pg_walfile_name(pg_current_wal_lsn())');
  run(
    'pg_basebackup',
    [
      '-h',
      '127.0.0.1',
      '-p',
      String(s.port),
      '-U',
      'postgres',
      '-D',
      making,
      '-Ft',
      '-z',
      '-X',
      'fetch',
      '-c',
      'fast',
    ],
    { env: { PGPASSWORD: s.password } },
  );
  // With these a new machine needs nothing else.
  fs.cpSync(keys, path.join(making, 'keys'), { recursive: true });
  fs.copyFileSync(cluster.stateFile, path.join(making, 'cluster.json'));
  const base = { at: new Date().toISOString(), wal };
  fs.writeFileSync(path.join(making, 'base.json'), JSON.stringify(base), { mode: 0o600 });
  fs.renameSync(making, path.join(basesOf(folder), name));
  return base;
}

/** The last few bases, and the log since the oldest of them. */
function forgetOld(folder) {
  const bases = listBases(folder);
  for (const old of bases.slice(KEPT_BASES)) fs.rmSync(old.folder, { recursive: true });
  const oldest = bases.slice(0, KEPT_BASES).at(-1)?.wal ?? '';
  for (const name of fs.readdirSync(walOf(folder)))
    if (/^[0-9A-F]{24}/.test(name) && name.slice(8, 24) < oldest.slice(8))
      fs.rmSync(path.join(walOf(folder), name));
}

/** For ./stennet status: how the archive stands; null where there is none. */
export function archiveState(cluster) {
  const [mode, last, failed, lastFailed] = cluster
    .psql(
      'postgres',
      "select current_setting('archive_mode') || '|' || coalesce(to_json(last_archived_time) #>> '{}', '') || '|' || failed_count || '|' || coalesce(to_json(last_failed_time) #>> '{}', '') from pg_stat_archiver",
    )
    .split('|');
  if (mode !== 'on') return null;
  const isFailing = lastFailed !== '' && (last === '' || Date.parse(lastFailed) > Date.parse(last));
  return isFailing
    ? `Archive: NOT working, ${failed} tries failed, the last at ${lastFailed}. Is the folder there and has it room? Until it works, PostgreSQL keeps its log on this disk.`
    : `Archive: last file at ${last || 'none yet'}`;
}
