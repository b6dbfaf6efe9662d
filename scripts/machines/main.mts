// Many phones, a cluster on five machines, one fault after the other; everything against the ledger
// that the phones keep. `--short`: each fault once, nothing written.
import fs from 'node:fs';
import os from 'node:os';
import pg from 'pg';
import { NOT_TRIED } from '../notTried.mjs';
import { check } from '../soak/check.mts';
import {
  acknowledged,
  counted,
  home,
  isShort,
  PEOPLE,
  runs,
  sleep,
  soak,
} from '../soak/ledger.mts';
import { FAULTS, versions, type Fault } from './faults.mts';
import { House } from './house.mts';
import { closeNetwork, openNetwork } from './machine.mts';
import { Phone } from './phone.mts';
import { report, type Line } from './report.mts';

const PHONES = 8;
const ROUNDS = isShort ? 1 : 3;
const LONGEST_S = 30;
const CALM_MS = 4000;

async function suffer(house: House, phones: readonly Phone[], fault: Fault): Promise<Line> {
  await house.whole();
  await sleep(CALM_MS);
  const before = { acknowledged: acknowledged.size, confirmed: sum(phones, (p) => p.confirmed) };
  for (const phone of phones) phone.longestQueue = 0;
  const { name: primary } = await house.in('leader');
  const from = Date.now();
  const { where, mend } = await fault.strike(house);
  // Each phone has to have had an answer to something it sent after the fault.
  const isBack = (): boolean => phones.every((p) => p.ackedSince > from);
  while (!isBack() && Date.now() - from < 2 * LONGEST_S * 1000) await sleep(50);
  const backS = (Date.now() - from) / 1000;
  const confirmed = sum(phones, (p) => p.confirmed) - before.confirmed;
  await mend();
  await house.whole();
  const { name: after } = await house.in('leader');
  const line = {
    what: fault.what,
    where: where.name,
    acknowledged: before.acknowledged,
    backS,
    confirmed,
    queue: Math.max(...phones.map((p) => p.longestQueue)),
    primary: primary === after ? primary : `${primary} → ${after}`,
  };
  console.log(
    `${line.what} (${line.where}): writes back after ${backS.toFixed(1)} s, ${confirmed} confirmed meanwhile, primary ${line.primary}`,
  );
  return line;
}

const sum = <T,>(all: readonly T[], of: (one: T) => number): number =>
  all.reduce((total, one) => total + of(one), 0);

/** Faults against the ledger; the ledger itself is tried with an entry that no one has. */
async function held(house: House): Promise<string[]> {
  const admin = new pg.Client({ connectionString: await house.adminUrl() });
  await admin.connect();
  try {
    const faults = await check(admin);
    acknowledged.set('no such entry', 'no such run');
    if ((await check(admin)).length !== faults.length + 1)
      faults.push('a lost entry would not have been seen');
    acknowledged.delete('no such entry');
    const { rows } = await admin.query("select to_regclass('only_here') as kept");
    if (rows[0].kept) faults.push('what was written on a machine that was cut off is there');
    return faults;
  } finally {
    await admin.end();
  }
}

async function main(house: House): Promise<void> {
  await house.start();
  const phones = Array.from(
    { length: PHONES },
    (_, i) =>
      new Phone(
        PEOPLE[i % PEOPLE.length] ?? '',
        house.fronts.map((front) => ({ url: () => house.urlOf(front) })),
      ),
  );
  for (const phone of phones) await phone.prepare();
  const work = Promise.all(phones.map((p) => p.work()));
  const lines: Line[] = [];
  const all = (async () => {
    for (let round = 0; round < ROUNDS; round += 1)
      for (const fault of FAULTS) lines.push(await suffer(house, phones, fault));
    await sleep(CALM_MS);
    soak.isOver = true;
  })();
  await Promise.all([all, work]);
  const faults = await held(house);
  for (const { what, backS } of lines)
    if (backS > LONGEST_S) faults.push(`${what}: writes were back after ${backS.toFixed(1)} s`);
  const confirmed = sum(phones, (p) => p.confirmed);
  if (confirmed !== acknowledged.size)
    faults.push(`${confirmed} were confirmed, ${acknowledged.size} acknowledged`);
  const text = report(lines, {
    phones: PHONES,
    runs: runs.size,
    confirmed,
    pulls: counted.pulls,
    retries: counted.retries,
    longestWaitMs: Math.max(...phones.map((p) => p.longestWaitMs)),
    verified: await house.verify(),
    versions: versions(),
    machine: `${os.cpus().length} cores, ${Math.round(os.totalmem() / 2 ** 30)} GB`,
  });
  console.log(text);
  for (const fault of faults.slice(0, 20)) console.error(fault);
  if (faults.length > 0) throw new Error(`${faults.length} faults`);
  if (!isShort) fs.writeFileSync('docs/RELIABILITY.md', text);
  console.log('Everything acknowledged is there once.');
}

async function tried(): Promise<number> {
  if (!openNetwork()) {
    console.log(
      'Not tried: this machine lets no one make networks (root and iproute2 are needed).',
    );
    return NOT_TRIED;
  }
  const house = new House(home);
  try {
    await main(house);
    return 0;
  } catch (error) {
    console.error(error);
    return 1;
  } finally {
    if (!process.env.STENNET_KEEP_MACHINES) {
      house.remove();
      closeNetwork();
      fs.rmSync(home, { recursive: true, force: true });
    }
  }
}

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => {
    soak.isOver = true;
    process.exit(130);
  });
process.exit(await tried());
