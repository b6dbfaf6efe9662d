import { isDeepStrictEqual } from 'node:util';
import type { Request } from 'express';
import { isAllowed, type Appended } from '@stennet/core/contract';
import type { BodyOf } from '@stennet/core/contract/work';
import type { ListedTool } from '@stennet/core/prepare';
import type { RunEvent } from '@stennet/core/run';
import { isTaken, type Client } from '../db/database';
import type { Topic } from '../db/hints';
import { keepEntries, lockKnown, type NewInList } from '../db/runs';
import { together } from '../db/together';
import { namesIn, parseBody, type Deps } from '../http/serve';
import { hashOf, sessionOf, shownBy, type Session } from '../http/session';
import type { KeptRun } from '../record/keptRuns';
import { recountUses } from '../record/keepWrenchUses';
import { keepRun, newIn } from './append';
import { Appending } from './appending';
import { toolsInUse } from './toolsInUse';

/** What was taken for known is not so any more: it is asked for anew, in turn. */
class Outdated extends Error {}

/** Where more is asked for than the run and the tools: its joint, statements, follow-ups. */
const ASKS_MORE: ReadonlySet<RunEvent['type']> = new Set([
  'started',
  'tookOver',
  'used',
  'finished',
]);

/** One request, worked out from what is known. */
interface Worked {
  req: Request;
  session: Session;
  run: string;
  kept: KeptRun;
  /** null: no entry is judged by them. */
  tools: readonly ListedTool[] | null;
  work: Appending;
  deviceName: string;
}

/** @returns null where anything else is needed, or it did not hold: nothing was kept */
type AppendAtOnce = (req: Request) => Promise<Appended | null>;

/**
 * Most confirmations are a pull more in a run that this server wrote last, by who wrote it. They
 * are worked out from what is known and sent with the questions whether that still holds: who is
 * signed in, and how far the run has come. What comes in meanwhile goes with the next.
 */
export function appendingAtOnce(deps: Deps): AppendAtOnce {
  const keep = together<Worked>((shop, all) => keepAll(deps, shop, all));
  return async (req) => {
    const worked = workOut(deps, req);
    if (!worked) return null;
    const { session, run, kept, work } = worked;
    try {
      await keep(session.shop.id, worked);
    } catch (error) {
      deps.known.forget(req);
      if (error instanceof Outdated) return null;
      throw error;
    }
    const head = { ...kept, hash: kept.head, holdKey: work.hold.shown, isSigned: false };
    keepRun(deps.runs, { shop: session.shop.id, run, head, earlier: kept.entries }, work);
    return { stored: work.answered, refused: null };
  };
}

function workOut(deps: Deps, req: Request): Worked | null {
  const session = deps.known.of(req);
  const { run = '' } = namesIn(req);
  const kept = session && deps.runs.of(session.shop.id, run);
  if (!kept) return null;
  const body = parseBody('appendRunEvents', req) as BodyOf<'appendRunEvents'>;
  if (!isPlain(body.events, run, session, kept)) return null;
  const isChosen = body.events.some((e) => e.type === 'wrenchChosen');
  const tools = isChosen ? deps.runs.tools.get(session.shop.id) : null;
  if (tools === undefined) return null;
  const shown = hashOf(body.holdKey);
  const key = deps.keys.of(session.shop.id);
  const work = new Appending(
    kept.state,
    kept.entries,
    { tools: tools ?? [], said: new Map(), key, isSigned: false },
    { shown, wanted: shown },
    {
      at: deps.now().toISOString(),
      sentAt: body.sentAt ?? null,
      judgesWaits: deps.judgesWaits,
    },
  );
  if (work.takeAll(body.events, kept.sheetHash)) return null;
  return { req, session, run, kept, tools, work, deviceName: body.deviceName };
}

const isPlain = (
  events: readonly RunEvent[],
  run: string,
  { person, role, shop }: Session,
  { entries, sheet }: KeptRun,
): boolean =>
  isAllowed(role, 'run.write') &&
  entries.at(-1)?.stored.event.person === person.id &&
  events.every(
    (e) =>
      e.run === run &&
      e.shop === shop.id &&
      e.person === person.id &&
      !ASKS_MORE.has(e.type) &&
      // A companion may be half-way where the crank is turned.
      !(e.type === 'stepDone' && sheet.instances?.crankDeg),
  );

/** All or nothing. @throws Outdated */
function keepAll(deps: Deps, shop: string, all: readonly Worked[]): Promise<void> {
  const lists = all.flatMap(({ run, work, deviceName }) => newIn(run, work, deviceName) ?? []);
  const tools = all.flatMap((w) => (w.tools ? [w.tools] : []));
  return deps.db.inShopAtOnce(
    shop,
    (client) => [
      assertKnown(client, deps, shop, all),
      tools.length > 0 ? assertListed(client, tools) : Promise.resolve(),
      keepEntries(client, shop, lists),
      ...all.map(({ run, kept, work }) => {
        const fresh = work.fresh.map((s) => s.stored.event);
        const events = [...kept.entries.map((s) => s.stored.event), ...fresh];
        return recountUses(client, { shop, run, sheet: kept.sheet }, events, fresh);
      }),
    ],
    lists.map(topicOf),
  );
}

/** A pull that asks no one for anything: who looks on need not hear of it at once. */
const topicOf = ({ run, entries, standing }: NewInList): Topic =>
  standing.asksLead === 0 && entries.every((e) => e.type === 'pulled')
    ? `pulls:${run}`
    : `run:${run}`;

/** Who is signed in and how far each run has come; each is locked until it is committed. */
async function assertKnown(
  client: Client,
  { db, now }: Deps,
  shop: string,
  all: readonly Worked[],
): Promise<void> {
  const shown = all.map(({ req }) => shownBy(req));
  const rows = await lockKnown(
    client,
    shop,
    now(),
    db.isCell,
    shown.map((s) => s.token),
    shown.map((s) => s.unsent),
    all.map(({ run }) => run),
  ).catch((error: unknown) => {
    // Whoever writes in it is waited for in turn: the rest of the shop goes on.
    throw isTaken(error) ? new Outdated() : error;
  });
  const byPlace = new Map(rows.map((row) => [row.place, row]));
  const isKnown = all.every(({ session, kept, work }, i) => {
    const row = byPlace.get(i + 1);
    return (
      row !== undefined &&
      row.sheet_hash === kept.sheetHash &&
      row.head_hash === kept.head &&
      row.signing === 'open' &&
      row.hold_key_hash?.equals(work.hold.shown) === true &&
      isDeepStrictEqual(sessionOf(row), session)
    );
  });
  if (!isKnown) throw new Outdated();
}

async function assertListed(
  client: Client,
  known: readonly (readonly ListedTool[])[],
): Promise<void> {
  const listed = await toolsInUse(client);
  if (!known.every((tools) => isDeepStrictEqual(tools, listed))) throw new Outdated();
}
