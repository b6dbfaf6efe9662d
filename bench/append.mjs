// One confirmation on its way into the table, beside bare INSERTs of the same bytes.
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { root } from '../scripts/install.mjs';
import { median } from './start.mjs';

const ROUNDS = 7;
const PER_ROUND = 60;
const SHOP = '5e000000-0000-4000-8000-000000000001';
const JOINT = '5e000000-0000-4000-8000-000000000970';
/** On a repair order where nothing stands in the way. */
const JOB = '5e000000-0000-4000-8000-000000000301';

export async function measureAppend(url, urls) {
  const admin = new pg.Client({ connectionString: urls.admin });
  await admin.connect();
  // The same columns and indexes, but the rows belong to no one.
  await admin.query(
    'create table bare_event (like run_event including all); grant insert on bare_event to stennet_app',
  );
  await admin.query(
    "insert into joint select shop, $2, $3, 'Bench', 8, sheet, revision from joint where shop = $1 and id = $4",
    [SHOP, JOINT, JOB, '5e000000-0000-4000-8000-000000000403'],
  );
  const client = new pg.Client({ connectionString: urls.app });
  await client.connect();
  const request = await openRun(url);
  const statement = fs.readFileSync(
    path.join(root, 'server/src/db/queries/appendRunEvents.sql'),
    'utf8',
  );
  const body = JSON.stringify(request.sample);
  const run = request.run;
  let position = 1_000_000;
  const insert = (text) => async () => {
    position += 1;
    await client.query('begin');
    await client.query("select set_config('stennet.shop', $1, true)", [SHOP]);
    await client.query(text, [
      SHOP,
      run,
      [position],
      [randomUUID()],
      [1],
      [position],
      ['paused'],
      [randomUUID()],
      [body],
      ['0'.repeat(64)],
      ['0'.repeat(88)],
      [0],
    ]);
    await client.query('commit');
  };
  const kinds = {
    bare: insert(statement.replace('insert into run_event', 'insert into bare_event')),
    secured: insert(statement),
    request: request.send,
  };
  const taken = { bare: [], secured: [], request: [] };
  // The first round only warms up. What was inserted past the server is taken out again before the
  // server reads the run.
  for (let i = 0; i <= ROUNDS; i += 1) {
    for (const [name, act] of Object.entries(kinds)) {
      if (name === 'request') await admin.query('delete from run_event where position >= 1000000');
      const ms = await repeat(act, PER_ROUND);
      if (i > 0) taken[name].push(ms);
    }
  }
  await client.end();
  await admin.end();
  return {
    rounds: ROUNDS,
    ...Object.fromEntries(Object.entries(taken).map(([name, ms]) => [name, median(ms)])),
  };
}

async function repeat(act, times) {
  const from = performance.now();
  for (let i = 0; i < times; i += 1) await act();
  return (performance.now() - from) / times;
}

/**
 * A run that is paused and resumed again and again: the cheapest events, so that nothing but the
 * way is measured.
 */
async function openRun(url) {
  const reply = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: url },
    body: JSON.stringify({ name: 'Mei Sandoval', password: 'witness-mark' }),
  });
  const cookie = /stennet_session=[^;]+/.exec(reply.headers.get('set-cookie'))[0];
  const me = await reply.json();
  const { sheetHash, sheet } = await fetch(`${url}/api/joints/${JOINT}/sheet`, {
    headers: { cookie },
  }).then((r) => r.json());
  const run = randomUUID();
  let seq = 0;
  let paused = false;
  const envelope = () => ({
    v: 1,
    id: randomUUID(),
    shop: SHOP,
    run,
    hold: 1,
    seq: (seq += 1),
    device: run,
    person: me.person.id,
    deviceTime: new Date().toISOString(),
  });
  const post = async (e) => {
    const answer = await fetch(`${url}/api/runs/${run}/events`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: url, cookie },
      body: JSON.stringify({ deviceName: 'bench', holdKey: 'b'.repeat(43), events: [e] }),
    });
    if (!answer.ok) throw new Error(await answer.text());
  };
  await post({
    ...envelope(),
    type: 'started',
    payload: {
      joint: JOINT,
      sheet: sheet.id,
      revision: sheet.revision,
      sheetHash,
      core: 'bench',
      cautionsRead: true,
    },
  });
  const sample = { ...envelope(), type: 'paused', payload: {} };
  seq -= 1;
  return {
    run,
    sample,
    send: () => {
      paused = !paused;
      return post({ ...envelope(), type: paused ? 'paused' : 'resumed', payload: {} });
    },
  };
}
