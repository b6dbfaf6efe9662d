// Every table of a database as a CSV file, and back. Nothing of such a file is ever run: it is
// data, loaded as the owner of the tables.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { postgresProgram } from './cluster.mjs';
import { Refusal } from './install.mjs';

/**
 * The password goes by the environment of this one child: a list of processes does not show that.
 */
function psql(url, input) {
  const { hostname, port, username, password, pathname } = new URL(url);
  const args = [
    '-X',
    '-q',
    '-A',
    '-t',
    '-v',
    'ON_ERROR_STOP=1',
    '-h',
    hostname,
    '-p',
    port,
    '-U',
    username,
    '-d',
    pathname.slice(1),
    '-f',
    '-',
  ];
  const done = spawnSync(postgresProgram('psql'), args, {
    input,
    encoding: 'utf8',
    maxBuffer: 1e8,
    env: { PATH: process.env.PATH, PGPASSWORD: password, PGCONNECT_TIMEOUT: '10' },
  });
  if (done.error || done.status !== 0)
    throw new Refusal((done.stderr ?? String(done.error)).slice(-1500));
  return done.stdout.trim();
}

/**
 * What is not kept: how far migrations have come is said in the list of the copy, and nothing is
 * under way in it.
 */
const LEFT_OUT = ['migration', 'unsealed'];

/** Tables with their own columns, each after those that its rows name. */
function tablesIn(url) {
  const found = JSON.parse(
    psql(
      url,
      `select coalesce(json_agg(t), '[]') from (
        select c.relname as name, c.relforcerowsecurity as forced,
          (select json_agg(a.attname order by a.attnum) from pg_attribute a where a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.attgenerated = '') as columns,
          (select coalesce(json_agg(distinct r.relname), '[]') from pg_constraint k join pg_class r on r.oid = k.confrelid where k.conrelid = c.oid and k.contype = 'f' and r.oid <> c.oid) as after
        from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p')) t;`,
    ),
  ).filter((t) => !LEFT_OUT.includes(t.name));
  const sorted = [];
  const add = (table) => {
    if (sorted.includes(table)) return;
    for (const name of table.after) add(found.find((t) => t.name === name));
    sorted.push(table);
  };
  found.sort((a, b) => (a.name < b.name ? -1 : 1)).forEach(add);
  return sorted;
}

const listed = (columns) => columns.map((c) => `"${c}"`).join(', ');

/** @returns names of the files, and the migrations that made these tables */
export function saveTables(admin, folder) {
  const tables = tablesIn(admin);
  const copies = tables.map(
    (t) =>
      `\\copy (select ${listed(t.columns)} from "${t.name}") to '${path.join(folder, `${t.name}.csv`)}' with (format csv, header)`,
  );
  psql(
    admin,
    ['begin isolation level repeatable read read only;', ...copies, 'commit;', ''].join('\n'),
  );
  return {
    names: tables.map((t) => t.name),
    migrations: JSON.parse(psql(admin, 'select json_object_agg(name, hash) from migration;')),
  };
}

/**
 * Into tables that are empty. The names and columns are those of the tables; a file only says what
 * stands in them.
 */
export function loadTables(owner, folder) {
  const tables = tablesIn(owner);
  const there = tables.filter((t) => fs.existsSync(path.join(folder, `${t.name}.csv`)));
  const load = (t) => [
    `alter table "${t.name}" no force row level security;`,
    `alter table "${t.name}" disable trigger user;`,
    `\\copy "${t.name}" (${listed(t.columns)}) from '${path.join(folder, `${t.name}.csv`)}' with (format csv, header match)`,
  ];
  const close = (t) => [
    `alter table "${t.name}" enable trigger user;`,
    ...(t.forced ? [`alter table "${t.name}" force row level security;`] : []),
  ];
  psql(
    owner,
    ['begin;', ...there.flatMap(load), ...there.flatMap(close), 'commit;', ''].join('\n'),
  );
}
