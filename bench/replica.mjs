// History read on a streaming replica beside the same on the primary, and how soon the replica has
// what was written.
import pg from 'pg';
import { ask, quantile, signIn, timed, WRENCH } from './history.mjs';

const ASKED = 150;
const WRITTEN = 60;

/** Both servers use the same primary; the second reads history on the replica. */
export async function measureReplica(primaryUrl, replicaUrl, urls, replica) {
  const where = `/api/history?by=wrench&tool=${WRENCH}`;
  const cookies = [await signIn(primaryUrl), await signIn(replicaUrl)];
  const taken = [[], []];
  for (let i = 0; i < ASKED + 10; i += 1) {
    for (const [at, url] of [primaryUrl, replicaUrl].entries()) {
      const ms = await timed(() => ask(url, cookies[at], where));
      if (i >= 10) taken[at].push(ms);
    }
  }
  const admin = new pg.Client({ connectionString: urls.admin });
  const copy = new pg.Client({
    connectionString: Object.assign(new URL(urls.admin), { port: new URL(replica).port }).href,
  });
  await Promise.all([admin.connect(), copy.connect()]);
  await admin.query('create table bench_lag (n integer)');
  while ((await copy.query("select to_regclass('bench_lag') as made")).rows[0].made === null)
    await new Promise((resolve) => setTimeout(resolve, 20));
  const lags = [];
  for (let n = 0; n < WRITTEN; n += 1) {
    await admin.query('insert into bench_lag values ($1)', [n]);
    lags.push(
      await timed(async () => {
        while (Number((await copy.query('select count(*) as n from bench_lag')).rows[0].n) <= n);
      }),
    );
  }
  await admin.query('drop table bench_lag');
  await Promise.all([admin.end(), copy.end()]);
  const both = (list) => ({ p50: quantile(list, 0.5), p95: quantile(list, 0.95) });
  return { primary: both(taken[0]), replica: both(taken[1]), lag: both(lags) };
}

export function renderReplica({ primary, replica, lag }, row) {
  const ms = (value) => value.toFixed(1);
  return [
    '## History from a replica',
    '',
    `A streaming replica on the same machine and disk; a wrench's newest hundred through two servers in turn, ${ASKED} times each. What was written is there after the last row's time (a query on it included), ${WRITTEN} writes.`,
    '',
    row(['', 'median (ms)', 'p95 (ms)']),
    row(['---', '---', '---']),
    row(['history from the primary', ms(primary.p50), ms(primary.p95)]),
    row(['history from the replica', ms(replica.p50), ms(replica.p95)]),
    row([
      'replica against primary',
      `${(replica.p50 / primary.p50).toFixed(2)} ×`,
      `${(replica.p95 / primary.p95).toFixed(2)} ×`,
    ]),
    row(['seen on the replica after', ms(lag.p50), ms(lag.p95)]),
    '',
  ];
}
