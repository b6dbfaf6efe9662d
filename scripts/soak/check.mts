import pg from 'pg';
import { canonicalJson, firstBreak } from '../../core/src/record/index.ts';
import { replay, type RunEvent } from '../../core/src/run/index.ts';
import { headSheet } from '../../core/src/testing/index.ts';
import { acknowledged, keptAside, sent, runs } from './ledger.mts';

const eventIn = (body: string): RunEvent => (JSON.parse(body) as { event: RunEvent }).event;

/** What stands there otherwise than it was sent. */
const changedIn = (stored: readonly RunEvent[]): string[] =>
  stored.flatMap((e) =>
    sent.has(e.id) && sent.get(e.id) !== canonicalJson(e)
      ? [`${e.type} ${e.id} is not what was sent`]
      : [],
  );

export async function check(admin: pg.Client): Promise<string[]> {
  const faults: string[] = [];
  const kept = (
    await admin.query<{ run: string; id: string; body: string; hash: string }>(
      'select run, id, body, hash from run_event where run = any($1) order by run, position',
      [[...runs]],
    )
  ).rows;
  const times = new Map<string, number>();
  for (const { id } of kept) times.set(id, (times.get(id) ?? 0) + 1);
  for (const id of acknowledged.keys())
    if (times.get(id) !== 1) faults.push(`acknowledged ${id} is there ${times.get(id) ?? 0} times`);
  const late = (await admin.query<{ id: string; body: string }>('select id, body from late_event'))
    .rows;
  const lateIds = new Set(late.map((r) => r.id));
  for (const id of keptAside) if (!lateIds.has(id)) faults.push(`late ${id} was not kept`);
  const stored = [
    ...kept.map((r) => eventIn(r.body)),
    ...late.map((r) => JSON.parse(r.body) as RunEvent),
  ];
  faults.push(...changedIn(stored));
  // The check itself is checked: a changed time in a single pull does not pass it.
  const [one] = stored.filter((e) => e.type === 'pulled');
  if (
    one &&
    changedIn([{ ...one, deviceTime: new Date(Date.parse(one.deviceTime) + 1).toISOString() }])
      .length !== 1
  )
    faults.push('a changed time would not have been seen');
  for (const run of runs) {
    const rows = kept.filter((r) => r.run === run);
    if (rows.length === 0) continue;
    const broken = firstBreak(rows);
    if (broken) faults.push(`run ${run} breaks at ${broken.position}`);
    const state = replay(
      headSheet,
      rows.map((r) => eventIn(r.body)),
    );
    const head = (
      await admin.query<{ state: string; last_position: number; head_hash: string }>(
        'select state, last_position, head_hash from run where id = $1',
        [run],
      )
    ).rows[0];
    if (
      head?.state !== state.status ||
      head.last_position !== rows.length ||
      head.head_hash !== rows.at(-1)?.hash
    )
      faults.push(`the head of run ${run} is not what its list says`);
  }
  return faults;
}
