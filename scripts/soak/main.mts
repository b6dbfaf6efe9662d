// Many devices, two servers, one database, machines that fail: everything against a ledger that the
// devices keep. Holds when every acknowledged pull is there exactly once, every record equals its
// replay and verifies, and everything that was confirmed on a device but not taken into the run's
// list is kept as a claim.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import pg from 'pg';
import { freePort, keyFolder } from '../cluster.mjs';
import { ended } from '../serving.mjs';
import {
  GOAL,
  DEVICES,
  PEOPLE,
  STILL_MS,
  home,
  cluster,
  counted,
  acknowledged,
  sent,
  runs,
  sleep,
  soak,
} from './ledger.mts';
import { Server } from './server.mts';
import { Device } from './device.mts';
import { chaos } from './chaos.mts';
import { check } from './check.mts';

/** Fails where all of it stands still: something waits for what will never come. */
async function standsStill(): Promise<never> {
  for (let before = -1; before !== counted.pulls;) {
    before = counted.pulls;
    await sleep(STILL_MS);
  }
  throw new Error(`nothing was acknowledged for ${STILL_MS / 1000} s: ${JSON.stringify(counted)}`);
}

const servers: Server[] = [];

async function main(): Promise<void> {
  await cluster.start();
  const urls = cluster.ensureDatabase('stennet_soak');
  const env = { ...process.env, OWNER_DATABASE_URL: urls.owner, KEY_DIR: keyFolder(home) };
  execFileSync(process.execPath, ['server/dist/prepareDatabase.js', 'server/migrations', 'demo'], {
    env,
  });
  servers.push(new Server(urls.app, await freePort()), new Server(urls.app, await freePort()));
  for (const server of servers) server.start();
  // Through the pool: a database that was killed is found again.
  const admin = new pg.Pool({ connectionString: urls.admin, max: 2 }) as unknown as pg.Client;
  admin.on('error', () => undefined);
  const devices = Array.from(
    { length: DEVICES },
    (_, i) => new Device(PEOPLE[i % PEOPLE.length] ?? '', servers),
  );
  for (const device of devices) await device.signIn();
  const from = Date.now();
  const work = Promise.all(devices.map((d) => d.work()));
  const all = chaos(devices, servers).then(async () => {
    while (counted.pulls < GOAL.pulls) await sleep(50);
    soak.isOver = true;
  });
  await Promise.race([Promise.all([all, work]), standsStill()]);
  const faults = await check(admin);
  await admin.end();
  const verified = execFileSync(process.execPath, ['server/dist/verify.js', '--all'], {
    env,
    encoding: 'utf8',
  }).trim();
  console.log(
    `${counted.pulls} acknowledged pulls of ${DEVICES} devices in ${runs.size} runs; ${counted.kills} servers killed, ${counted.databaseKills} databases killed, ${counted.cuts} cuts, ${counted.takeOvers} take-overs, ${counted.claims} entries kept as claims, ${counted.retries} tries again, ${counted.endedThemselves} servers that ended by themselves, ${sent.size} entries compared to the letter, ${Math.round((Date.now() - from) / 1000)} s.`,
  );
  console.log(verified);
  for (const fault of faults.slice(0, 20)) console.error(fault);
  if (faults.length > 0) throw new Error(`${faults.length} faults`);
  console.log('Everything acknowledged is there once.');
}

main()
  .then(() => 0)
  .catch((error: unknown) => {
    console.error(error);
    return 1;
  })
  .then(async (code) => {
    for (const server of servers) await server.kill();
    cluster.destroy();
    fs.rmSync(home, { recursive: true, force: true });
    process.exit(code);
  });
