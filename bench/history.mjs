// A shop with a million pulls: each view of history through the whole server, beside the same
// statement bare.
import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { root } from '../scripts/install.mjs';

const SHOP = '5e000000-0000-4000-8000-000000000001';
const MODEL = {
  order: '5e000000-0000-4000-8000-000000000252',
  job: '5e000000-0000-4000-8000-000000000352',
  run: '5e000000-0000-4000-8000-000000000821',
};
export const WRENCH = '5e000000-0000-4000-8000-000000000102';
const RUNS_PER_ORDER = 4;
const PULLS_PER_RUN = 50;
const ASKED = 150;

const sql = (name) => fs.readFileSync(path.join(root, 'server/src/db/queries', name), 'utf8');
export const quantile = (list, q) => [...list].sort((a, b) => a - b)[Math.floor(list.length * q)];

export async function measureHistory(url, urls) {
  const admin = new pg.Client({ connectionString: urls.admin });
  await admin.connect();
  const orders = Math.round(
    (1_000_000 / (RUNS_PER_ORDER * PULLS_PER_RUN)) * Number(process.env.STENNET_BENCH_SCALE ?? 1),
  );
  await fill(admin, orders);
  const bare = new pg.Client({ connectionString: urls.admin });
  await bare.connect();
  await bare.query("select set_config('stennet.shop', $1, false)", [SHOP]);
  const cookie = await signIn(url);
  const runs = (
    await admin.query(
      'select id from run where shop = $1 and id::text like $2 order by id limit 5000',
      [SHOP, 'be%'],
    )
  ).rows.map((r) => r.id);
  const pick = (i, n) => (i * 7919) % n;
  const vin = (i) => `ZZ9BENCH${String(pick(i, orders)).padStart(9, '0')}`;
  const views = [
    [
      'record of a run',
      (i) => `/api/runs/${runs[pick(i, runs.length)]}/record?form=json`,
      sql('listChain.sql'),
      (i) => [runs[pick(i, runs.length)]],
    ],
    [
      'a vehicle',
      (i) => `/api/history?by=vehicle&vin=${vin(i)}`,
      sql('historyOfVehicle.sql'),
      (i) => [null, null, vin(i)],
    ],
    [
      'a wrench, newest hundred',
      () => `/api/history?by=wrench&tool=${WRENCH}`,
      sql('historyOfWrench.sql'),
      () => [null, null, WRENCH, null, null],
    ],
    [
      'a lot',
      (i) => `/api/history?by=lot&lot=LOT%20${pick(i, 500)}`,
      sql('historyOfLot.sql'),
      (i) => [null, null, `LOT ${pick(i, 500)}`],
    ],
    [
      'a sheet revision',
      () => '/api/history?by=sheet&sheet=brenna-2-0-head&revision=C',
      sql('historyOfSheet.sql'),
      () => [null, null, 'brenna-2-0-head', 'C'],
    ],
  ];
  const results = [];
  for (const [name, address, text, values] of views) {
    const taken = { request: [], bare: [] };
    for (let i = 0; i < ASKED + 10; i += 1) {
      const request = await timed(() => ask(url, cookie, address(i)));
      const statement = await timed(() => bare.query(text, values(i)));
      // The first ones only warm up.
      if (i < 10) continue;
      taken.request.push(request);
      taken.bare.push(statement);
    }
    const plan = (await bare.query({ text: `explain ${text}`, values: values(1) })).rows.map(
      (r) => r['QUERY PLAN'],
    );
    results.push({
      name,
      p50: quantile(taken.request, 0.5),
      p95: quantile(taken.request, 0.95),
      bareP50: quantile(taken.bare, 0.5),
      bareP95: quantile(taken.bare, 0.95),
      plan,
    });
  }
  const sizes = (
    await admin.query(
      `select relname as name, pg_total_relation_size(relid) / 1e6 as mb from pg_stat_user_tables where relname in ('run_event', 'run', 'wrench_use', 'order_entry', 'repair_order') order by 2 desc`,
    )
  ).rows;
  await bare.end();
  await admin.end();
  return {
    pulls: orders * RUNS_PER_ORDER * PULLS_PER_RUN,
    runs: orders * RUNS_PER_ORDER,
    results,
    sizes,
  };
}

/**
 * Orders, joints and runs like a demo one; the events are its events again, under ids of their own.
 */
async function fill(admin, orders) {
  const of = (kind, expression) =>
    `('b${kind}000000-0000-4000-8000-' || lpad((${expression})::text, 12, '0'))::uuid`;
  const run = async (text, values = []) => admin.query(text, values);
  await run('set session_replication_role = replica');
  await run(
    `insert into repair_order (shop, id, number, vehicle, odometer_value, odometer_unit, customer, concern, bay, promised_at, state, opened_at)
     select o.shop, ${of('a', 'g')}, 'B' || g, o.vehicle || jsonb_build_object('vin', 'ZZ9BENCH' || lpad(g::text, 9, '0')), o.odometer_value, o.odometer_unit, o.customer, o.concern, null, null, 'handedOver', now() - g * interval '1 hour'
     from repair_order o, generate_series(0, $2 - 1) g where o.id = $1`,
    [MODEL.order, orders],
  );
  await run(
    `insert into job select j.shop, ${of('b', 'g')}, ${of('a', 'g')}, j.title, 0, j.kind from job j, generate_series(0, $2 - 1) g where j.id = $1`,
    [MODEL.job, orders],
  );
  await run(
    `insert into joint select u.shop, ${of('c', 'g')}, ${of('b', `g / ${RUNS_PER_ORDER}`)}, 'Cylinder head', g % ${RUNS_PER_ORDER}, u.sheet, u.revision from run u, generate_series(0, $2 - 1) g where u.id = $1`,
    [MODEL.run, orders * RUNS_PER_ORDER],
  );
  await run(
    `insert into run (shop, id, joint, sheet, revision, state, holder_person, holder_device, holder_device_name, hold, last_seq, last_position, head_hash, last_at, standing, part, instance)
     select u.shop, ${of('e', 'g')}, ${of('c', 'g')}, u.sheet, u.revision, u.state, u.holder_person, u.holder_device, u.holder_device_name, u.hold, u.last_seq, u.last_position, u.head_hash, now() - g * interval '15 minutes', u.standing, u.part, u.instance
     from run u, generate_series(0, $2 - 1) g where u.id = $1`,
    [MODEL.run, orders * RUNS_PER_ORDER],
  );
  await run(
    `insert into run_event (shop, run, position, id, hold, seq, type, person, body, hash, seal)
     select e.shop, ${of('e', 'g')}, e.position, gen_random_uuid(), e.hold, e.seq, e.type, e.person, e.body, e.hash, e.seal from run_event e, generate_series(0, $2 - 1) g where e.run = $1`,
    [MODEL.run, orders * RUNS_PER_ORDER],
  );
  await run(
    `insert into wrench_use select w.shop, ${of('e', 'g')}, w.wrench, now() - g * interval '15 minutes', now() - g * interval '15 minutes', w.pulls, 0, null from wrench_use w, generate_series(0, $2 - 1) g where w.run = $1`,
    [MODEL.run, orders * RUNS_PER_ORDER],
  );
  await run(
    `insert into order_entry (shop, id, version, repair_order, body, gone, person, at)
     select e.shop, gen_random_uuid(), 1, ${of('a', 'g')}, replace(e.body, 'L 4471', 'LOT ' || g % 500), false, e.person, e.at from order_entry e, generate_series(0, $2 - 1) g
     where e.repair_order = $1 and e.lot is not null`,
    [MODEL.order, orders],
  );
  await run('set session_replication_role = origin');
  await run('vacuum analyze');
}

export async function signIn(url) {
  const reply = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { Origin: url, 'Content-Type': 'application/json' },
    body: JSON.stringify({ name: 'Ines Corte', password: 'witness-mark' }),
  });
  return /stennet_session=[^;]+/.exec(reply.headers.get('set-cookie') ?? '')?.[0] ?? '';
}

export async function ask(url, cookie, address) {
  const reply = await fetch(`${url}${address}`, { headers: { Cookie: cookie } });
  if (!reply.ok) throw new Error(`${address}: ${reply.status}`);
  await reply.arrayBuffer();
}

export async function timed(work) {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

export function renderHistory({ pulls, runs, results, sizes }, row) {
  const ms = (value) => value.toFixed(1);
  return [
    '## A million pulls',
    '',
    `${pulls.toLocaleString('en')} pulls in ${runs.toLocaleString('en')} runs of one shop; each view through the whole server (session, row-level security, reply) and the same statement bare (a superuser on an open connection), in turn, ${ASKED} times.`,
    '',
    row([
      'view',
      'median (ms)',
      'p95 (ms)',
      'bare median (ms)',
      'bare p95 (ms)',
      'p95 against bare',
    ]),
    row(['---', '---', '---', '---', '---', '---']),
    ...results.map((r) =>
      row([
        r.name,
        ms(r.p50),
        ms(r.p95),
        ms(r.bareP50),
        ms(r.bareP95),
        `${(r.p95 / r.bareP95).toFixed(1)} ×`,
      ]),
    ),
    '',
    `Sizes with indexes: ${sizes.map((s) => `${s.name} ${Number(s.mb).toFixed(0)} MB`).join(', ')}.`,
    '',
  ];
}

/** How PostgreSQL finds each view. */
export const plansOf = ({ results }) => results.flatMap((r) => [`-- ${r.name}`, ...r.plan]);
