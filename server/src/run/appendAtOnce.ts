import type { Request } from 'express';
import { isAllowed, type Appended } from '@stennet/core/contract';
import type { BodyOf } from '@stennet/core/contract/work';
import type { RunEvent } from '@stennet/core/run';
import type { Client } from '../db/database';
import { lockRun } from '../db/runs';
import { namesIn, parseBody, type Deps } from '../http/serve';
import { hashOf, isStillOn, type Session } from '../http/session';
import type { KeptRun } from '../record/keptRuns';
import { keepRun, keepWhatFollows, store } from './append';
import { Appending } from './appending';

/** What was taken for known is not so any more: it is asked for anew, in turn. */
class Outdated extends Error {}

/** Where more is asked for than the run: its joint, tools, statements, follow-ups, the crank. */
const ASKS_MORE: ReadonlySet<RunEvent['type']> = new Set([
  'started',
  'tookOver',
  'wrenchChosen',
  'used',
  'stepDone',
  'finished',
]);

/**
 * Most confirmations are a pull more in a run that this server wrote last, by who wrote it. They
 * are worked out from what is known and sent with the questions whether that still holds: who is
 * signed in, and how far the run has come.
 * @returns null where anything else is needed, or it did not hold: nothing was kept
 */
export async function appendAtOnce(deps: Deps, req: Request): Promise<Appended | null> {
  const session = deps.known.of(req);
  const { run = '' } = namesIn(req);
  const kept = session && deps.runs.of(session.shop.id, run);
  if (!kept) return null;
  const body = parseBody('appendRunEvents', req) as BodyOf<'appendRunEvents'>;
  if (!isPlain(body.events, run, session, kept)) return null;
  const now = deps.now();
  const shown = hashOf(body.holdKey);
  const work = new Appending(
    kept.state,
    kept.entries,
    { tools: [], said: new Map(), key: deps.keys.of(session.shop.id), isSigned: false },
    { shown, wanted: shown },
    { at: now.toISOString(), sentAt: body.sentAt ?? null, judgesWaits: deps.judgesWaits },
  );
  if (work.takeAll(body.events, kept.sheetHash)) return null;
  const at = { shop: session.shop.id, run, sheet: kept.sheet };
  const send = (client: Client): Promise<unknown>[] => [
    isStillOn(client, { db: deps.db, now }, req, session).then(assertHolds),
    isUnchanged(client, run, kept, shown).then(assertHolds),
    store(client, at.shop, run, work, body.deviceName),
    keepWhatFollows(client, at, work, kept.entries, session.person.id, now),
  ];
  try {
    await deps.db.inShopAtOnce(at.shop, send, () => `run:${run}`);
  } catch (error) {
    deps.known.forget(req);
    if (error instanceof Outdated) return null;
    throw error;
  }
  const head = { ...kept, hash: kept.head, holdKey: shown, isSigned: false };
  keepRun(deps.runs, { shop: at.shop, run, head, earlier: kept.entries }, work);
  return { stored: work.answered, refused: null };
}

const isPlain = (
  events: readonly RunEvent[],
  run: string,
  { person, role, shop }: Session,
  kept: KeptRun,
): boolean =>
  isAllowed(role, 'run.write') &&
  kept.entries.at(-1)?.stored.event.person === person.id &&
  events.every(
    (e) => e.run === run && e.shop === shop.id && e.person === person.id && !ASKS_MORE.has(e.type),
  );

/** Locked until it is committed. */
async function isUnchanged(
  client: Client,
  run: string,
  kept: KeptRun,
  shown: Buffer,
): Promise<boolean> {
  const [row] = await lockRun(client, run, kept.sheetHash);
  return (
    row !== undefined &&
    row.sheet === null &&
    row.head_hash === kept.head &&
    row.signing === 'open' &&
    row.hold_key_hash?.equals(shown) === true
  );
}

function assertHolds(holds: boolean): void {
  if (!holds) throw new Outdated();
}
