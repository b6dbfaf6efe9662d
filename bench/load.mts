// Two hundred phones in twenty shops: at which rate confirmations, searches and records still come
// back within 100 ms at p95, and what gives first.
// node --import tsx bench/load.mts URL '{"admin":…}' SERVER_PID DATABASE_FOLDER
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import pg from 'pg';
import { Caller, freshJoint, Runs, send, signIn, type Hand } from './phones.mts';

const [url = '', urls = '{}', serverPid = '', postmaster = ''] = process.argv.slice(2);
const { admin: adminUrl } = JSON.parse(urls) as { admin: string };
const SHOPS = Number(process.env.LOAD_SHOPS ?? 20);
const PHONES = 200;
const STEP_S = 8;
/** Confirmations a second, all phones together. */
const RATES = [20, 40, 60, 80, 100, 130, 160, 200, 250, 300, 400];
/** Of a confirmation: a technician looks for a sheet now and then, and opens a record. */
const FIND_SHARE = 0.1;
const RECORD_SHARE = 0.1;
const LIMIT_MS = 100;
const TICKS_A_SECOND = 100;

const admin = new pg.Client({ connectionString: adminUrl });
await admin.connect();
const caller = new Caller(url);

interface Phone {
  hand: Hand;
  run: string;
  waiting: { event: unknown; at: number }[];
  left: unknown[];
  isSending: boolean;
}

const taken = { confirm: [] as number[], find: [] as number[], record: [] as number[] };
const p95 = (all: number[]): number =>
  [...all].sort((a, b) => a - b)[Math.floor(all.length * 0.95)] ?? 0;

const hands: Hand[] = [];
for (let i = 0; i < SHOPS; i += 1) hands.push(await signIn(caller, `Load ${i}`));
const runs = await Runs.from(caller, await signIn(caller, 'Mei Sandoval'));

async function begin(phone: Phone): Promise<void> {
  const { hand } = phone;
  const joint = await freshJoint(admin, hand.shop);
  const { run, events } = runs.next(hand, joint);
  phone.run = run;
  phone.left = events;
}

/** Sends what waits, as one request; what comes meanwhile waits for the next. */
async function flush(phone: Phone): Promise<void> {
  if (phone.isSending) return;
  phone.isSending = true;
  while (phone.waiting.length > 0) {
    const batch = phone.waiting.splice(0, 50);
    await send(caller, phone.hand, phone.run, batch.map((w) => w.event) as never);
    const now = performance.now();
    for (const { at } of batch) taken.confirm.push(now - at);
  }
  phone.isSending = false;
}

async function confirm(phone: Phone): Promise<void> {
  if (phone.left.length === 0) {
    if (phone.isSending || phone.waiting.length > 0) return;
    await begin(phone);
  }
  phone.waiting.push({ event: phone.left.shift(), at: performance.now() });
  await flush(phone);
}

async function timed(name: 'find' | 'record', path: string, hand: Hand): Promise<void> {
  const from = performance.now();
  const { status, text } = await caller.ask('GET', path, hand.cookie);
  // Three at once are under way for this person: a fourth is asked to come back.
  if (status !== 200 && status !== 429) throw new Error(`${path}: ${status} ${text.slice(0, 200)}`);
  taken[name].push(status === 429 ? 10 * LIMIT_MS : performance.now() - from);
}

/** Ticks of the processor that a process and its children have had. */
function ticksOf(pid: string): number {
  let total = 0;
  for (const entry of fs.readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      const fields =
        fs.readFileSync(`/proc/${entry}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
      // Of the process itself also what its children had that have ended.
      const own =
        entry === pid ? fields.slice(11, 15) : fields[1] === pid ? fields.slice(11, 13) : [];
      for (const ticks of own) total += Number(ticks);
    } catch {
      // it has ended
    }
  }
  return total;
}

const phones: Phone[] = Array.from({ length: PHONES }, (_, i) => ({
  hand: hands[i % SHOPS] as Hand,
  run: '',
  waiting: [],
  left: [],
  isSending: false,
}));
for (const phone of phones) await begin(phone);

const queries = ['head bolts', 'flywheel', 'damper 120', 'manifold', 'cylinder head m11'];
const recordPath = '/api/runs/5e000000-0000-4000-8000-000000000824/record?form=json';
const readers = hands[0] as Hand;
/** One person has three large things on their way at most. */
const readersOfRecords: Hand[] = [];
for (const name of ['Mei Sandoval', 'Jonah Pike', 'Ines Corte', 'Petra Voll'])
  readersOfRecords.push(await signIn(caller, name));

async function step(rate: number): Promise<Record<string, number>> {
  for (const list of Object.values(taken)) list.length = 0;
  const [server, database, own, from] = [
    ticksOf(serverPid),
    ticksOf(postmaster),
    ticksOf(String(process.pid)),
    performance.now(),
  ];
  const under: Promise<void>[] = [];
  let count = 0;
  while (performance.now() - from < STEP_S * 1000) {
    const due = Math.floor(((performance.now() - from) / 1000) * rate);
    for (; count < due; count += 1) {
      under.push(confirm(phones[Math.floor(Math.random() * PHONES)] as Phone));
      if (Math.random() < FIND_SHARE)
        under.push(
          timed(
            'find',
            `/api/sheets?q=${encodeURIComponent(queries[count % queries.length] ?? '')}`,
            readers,
          ),
        );
      if (Math.random() < RECORD_SHARE)
        under.push(timed('record', recordPath, readersOfRecords[count % 4] as Hand));
    }
    await new Promise((resolve) => setTimeout(resolve, 2));
  }
  await Promise.all(under);
  const seconds = (performance.now() - from) / 1000;
  const busy = (before: number, pid: string): number =>
    ((ticksOf(pid) - before) / TICKS_A_SECOND / seconds) * 100;
  return {
    rate,
    done: taken.confirm.length / seconds,
    confirm: p95(taken.confirm),
    find: p95(taken.find),
    record: p95(taken.record),
    serverCpu: busy(server, serverPid),
    databaseCpu: busy(database, postmaster),
    phonesCpu: busy(own, String(process.pid)),
  };
}

const isOver = (line: Record<string, number>): boolean =>
  Math.max(line.confirm ?? 0, line.find ?? 0, line.record ?? 0) > LIMIT_MS;

await step(20);
const lsn = async (): Promise<string> =>
  (await admin.query<{ lsn: string }>('select pg_current_wal_lsn() as lsn')).rows[0]?.lsn ?? '';
const kept = async (): Promise<number> =>
  Number((await admin.query('select count(*) from run_event')).rows[0].count);
const [walFrom, keptFrom] = [await lsn(), await kept()];
const steps: Record<string, number>[] = [];
for (const rate of RATES) {
  // A disk that stood still for a moment is tried again; a rate that is too high stays so.
  let line = await step(rate);
  if (isOver(line)) line = await step(rate);
  steps.push(line);
  console.error(
    Object.entries(line)
      .map(([name, value]) => `${name} ${value.toFixed(0)}`)
      .join('  '),
  );
  if (isOver(line)) break;
}
const { rows } = await admin.query<{ bytes: string }>(
  'select pg_wal_lsn_diff(pg_current_wal_lsn(), $1) as bytes',
  [walFrom],
);
const walPerEntry = Number(rows[0]?.bytes) / ((await kept()) - keptFrom);
await admin.end();
caller.close();
console.log(
  JSON.stringify({ shops: SHOPS, phones: PHONES, limitMs: LIMIT_MS, walPerEntry, steps }),
);
