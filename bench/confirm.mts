// One confirmation on its way into the table, beside bare INSERTs of the same bytes; then sixty-four
// phones at once. node --import tsx bench/confirm.mts URL '{"admin":…,"app":…}'
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { Caller, freshJoint, HALDEN, Runs, send, signIn, type Hand } from './phones.mts';

const [url = '', urls = '{}'] = process.argv.slice(2);
const { admin: adminUrl, app: appUrl } = JSON.parse(urls) as { admin: string; app: string };
const ROUNDS = 9;
const PHONES = 64;
/** What a phone has waiting when the server is busy: it goes in one request. */
const WAITING = 10;
const SECONDS = 8;
/** As a server that has been up for a while: its code is compiled, its statements are planned. */
const WARM_UP_SECONDS = 8;

const statement =
  'insert into bare_event (shop, run, position, id, hold, seq, type, person, body, hash, seal, late_ms) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)';
const median = (all: number[]): number =>
  [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? NaN;

async function perPiece(times: number, act: () => Promise<void>): Promise<number> {
  const from = performance.now();
  for (let i = 0; i < times; i += 1) await act();
  return (performance.now() - from) / times;
}

let position = 0;
/** One transaction of its own, as the server would with nothing to decide. */
async function bare(client: pg.Client, body: string): Promise<void> {
  const at = (position += 1);
  await client.query('begin');
  await client.query("select set_config('stennet.shop', $1, true)", [HALDEN]);
  await client.query({ name: 'bare', text: statement }, [
    HALDEN,
    HALDEN,
    at,
    randomUUID(),
    1,
    at,
    'pulled',
    randomUUID(),
    body,
    '0'.repeat(64),
    '0'.repeat(88),
    0,
  ]);
  await client.query('commit');
}

const connected = async (): Promise<pg.Client> => {
  const client = new pg.Client({ connectionString: appUrl });
  await client.connect();
  return client;
};

const admin = new pg.Client({ connectionString: adminUrl });
await admin.connect();
await admin.query(
  'create table bare_event (like run_event including all); grant insert on bare_event to stennet_app',
);
const caller = new Caller(url);
const hand = await signIn(caller, 'Mei Sandoval');
const runs = await Runs.from(caller, hand);

/** A run, one request for each of its entries: each on the average, and what a pull takes. */
async function oneByOne(): Promise<{ each: number; pull: number }> {
  const { run, events } = runs.next(hand, await freshJoint(admin, HALDEN));
  const pulls: number[] = [];
  let at = 0;
  const each = await perPiece(events.length, async () => {
    const event = events[at];
    at += 1;
    if (!event) return;
    const from = performance.now();
    await send(caller, hand, run, [event]);
    if (event.type === 'pulled') pulls.push(performance.now() - from);
  });
  return { each, pull: median(pulls) };
}

const one = await connected();
const body = JSON.stringify(runs.next(hand, randomUUID()).events[20]);
const taken: Record<'bare' | 'request' | 'pull' | 'answer', number[]> = {
  bare: [],
  request: [],
  pull: [],
  answer: [],
};
// The first rounds only warm up.
for (let i = -3; i < ROUNDS; i += 1) {
  const bareOne = await perPiece(60, () => bare(one, body));
  const ours = await oneByOne();
  const round = {
    bare: bareOne,
    request: ours.each,
    pull: ours.pull,
    answer: await perPiece(60, async () => void (await caller.ask('GET', '/api/health', ''))),
  };
  if (i >= 0)
    for (const name of ['bare', 'request', 'pull', 'answer'] as const)
      taken[name].push(round[name]);
}

/** Pieces a second that many hands get done at once. */
async function rate(hands: readonly (() => Promise<number>)[]): Promise<number> {
  let done = 0;
  const from = performance.now() + WARM_UP_SECONDS * 1000;
  const until = from + SECONDS * 1000;
  await Promise.all(
    hands.map(async (act) => {
      while (performance.now() < until) {
        const more = await act();
        if (performance.now() > from) done += more;
      }
    }),
  );
  return done / SECONDS;
}

const many = await Promise.all(Array.from({ length: PHONES }, connected));
const bareRate = await rate(many.map((client) => () => bare(client, body).then(() => 1)));

async function phone(by: Hand): Promise<() => Promise<number>> {
  let { run, events } = runs.next(by, await freshJoint(admin, HALDEN));
  return async () => {
    if (events.length === 0) ({ run, events } = runs.next(by, await freshJoint(admin, HALDEN)));
    const batch = events.slice(0, WAITING);
    await send(caller, by, run, batch);
    events = events.slice(WAITING);
    return batch.length;
  };
}
const phones = await Promise.all(Array.from({ length: PHONES }, () => phone(hand)));
const phoneRate = await rate(phones);

for (const client of [...many, one, admin]) await client.end();
caller.close();
console.log(
  JSON.stringify({
    rounds: ROUNDS,
    entries: runs.length,
    bare: median(taken.bare),
    request: median(taken.request),
    pull: median(taken.pull),
    answer: median(taken.answer),
    phones: PHONES,
    waiting: WAITING,
    bareRate,
    phoneRate,
  }),
);
