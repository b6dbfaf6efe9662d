import { type Appended, type Role, isAllowed } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { type Sheet } from '@stennet/core/procedure';
import { type StoredEvent, entryProof } from '@stennet/core/record';
import { type RunEvent, type RunState, replay, initialState, next } from '@stennet/core/run';
import { timingSafeEqual } from 'crypto';
import { type Client } from '../db/database';
import { findProver, keepEntries, listStatements, type NewInList } from '../db/runs';
import { keepFollowUps } from '../followUps/keepFollowUps';
import { shelfOf, type Shelf } from '../files/files';
import type { Call, Deps } from '../http/serve';
import { hashOf, type Session } from '../http/session';
import { chainOf } from '../record/chain';
import { recountUses, usesIn } from '../record/keepWrenchUses';
import { keepLate } from '../record/lateEvents';
import { standingOf } from './standing';
import { toolsInUse } from './toolsInUse';
import type { KeptRuns, Sealed } from '../record/keptRuns';
import { Appending } from './appending';
import { lockedHead, assertCrankFree, assertPracticed, type Head } from './beginRun';

/**
 * What appending needs of a call: the server's own, or the demo's that writes what was done before
 * today.
 */
export type AppendCall = Pick<Call<'appendRunEvents'>, 'client' | 'session' | 'params' | 'body'> & {
  deps: Pick<Deps, 'now' | 'keys' | 'judgesWaits' | 'runs' | 'files'>;
};

export async function storedEvents(
  client: Client,
  shelf: Shelf | null,
  run: string,
): Promise<Sealed[]> {
  const rows = await chainOf(client, shelf, run);
  return rows.map((r) => ({
    ...r,
    seal: r.seal ?? '',
    stored: JSON.parse(r.body) as StoredEvent,
  }));
}

/**
 * Parsed at the edge; then: already stored under this id? same answer. Load, admit with core's own
 * code, append, reply. What comes before a refused event is kept; the refused one and what follows
 * are not.
 */
export async function append({
  client,
  session,
  params,
  body,
  deps,
}: AppendCall): Promise<Appended> {
  const run = params.run ?? '';
  if (body.events.some((e) => e.run !== run || e.shop !== session.shop.id))
    throw new AppError('RUN_UNKNOWN');
  const by = await confirmedBy(client, session, body);
  const { person, role } = by;
  const receivedAt = deps.now().toISOString();
  const shop = session.shop.id;
  const stands = await readRun(client, deps, { shop, run, by, body, now: receivedAt });
  const { head, earlier } = stands;
  // Whoever goes on with it: a start is asked before it begins.
  if (earlier.length > 0 && earlier.at(-1)?.stored.event.person !== person)
    await assertPracticed(client, by, head.sheet.kind);
  const work = await appending({ client, session, body, deps }, { run, ...stands, receivedAt });
  await assertCrankFree(client, work.state, body.events);
  const refused = work.takeAll(body.events, head.sheetHash);
  // A take-over that came too late changed nothing; what came after it has to be asked
  // about.
  const late =
    refused?.error.code === 'HOLD_ENDED'
      ? body.events.slice(work.answered.length).filter((e) => e.type !== 'tookOver')
      : [];
  const isLate = late.length > 0;
  if (isLate)
    await keepLate(client, late, {
      shop,
      run,
      role: role === 'lead' ? 'lead' : 'technician',
      at: deps.now(),
      isSigned: head.isSigned,
    });
  else if (refused && work.answered.length === 0) throw refused.error;
  // On their way together: nothing in the one waits for the other. Where one fails, the other has
  // come to its end before all is rolled back.
  const at = { shop, run, sheet: head.sheet };
  const list = newIn(run, work, body.deviceName);
  const both = await Promise.allSettled([
    list && keepEntries(client, shop, [list]),
    keepWhatFollows(client, at, work, earlier, person, deps.now()),
  ]);
  for (const one of both) if (one.status === 'rejected') throw one.reason;
  keepRun(deps.runs, { shop, run, head, earlier }, work);
  return {
    stored: work.answered,
    refused: refused && {
      id: refused.id,
      code: isLate ? 'KEPT_AS_CLAIM' : refused.error.code,
      params: { ...refused.error.params },
    },
  };
}

interface Stands {
  head: Head;
  earlier: readonly Sealed[];
  state: RunState;
}

/** What a run's list has come to: as it was kept here, where the table still has the same head. */
async function readRun(
  client: Client,
  { runs, files }: Pick<Deps, 'runs' | 'files'>,
  at: {
    shop: string;
    run: string;
    by: { person: string; role: Role };
    body: AppendCall['body'];
    now: string;
  },
): Promise<Stands> {
  const { shop, run, by, body, now } = at;
  const [first] = body.events;
  const kept = runs.of(shop, run);
  const begins = { shop, by, deviceName: body.deviceName, now };
  const head = await lockedHead(client, run, first, kept, begins);
  if (kept?.head === head.hash) return { head, earlier: kept.entries, state: kept.state };
  const earlier = await storedEvents(client, shelfOf(files, shop), run);
  const events = earlier.map((s) => s.stored.event);
  return { head, earlier, state: stateOf(head.sheet, events, first) };
}

export function keepRun(
  runs: KeptRuns,
  { shop, run, head, earlier }: Pick<Stands, 'head' | 'earlier'> & { shop: string; run: string },
  { fresh, state }: Appending,
): void {
  const entries = fresh.length > 0 ? [...earlier, ...fresh] : earlier;
  const last = entries.at(-1);
  const { sheet, sheetHash } = head;
  if (last) runs.put(shop, run, { head: last.hash, sheet, sheetHash, entries, state });
}

/** What was stored before, and what the shop knows that an entry is judged by. */
async function appending(
  { client, session, body, deps }: Omit<AppendCall, 'params'>,
  at: Stands & { run: string; receivedAt: string },
): Promise<Appending> {
  const { run, head, earlier, state, receivedAt } = at;
  // Asked only where an entry is judged by it: a plain pull needs neither.
  const has = (type: RunEvent['type']): boolean => body.events.some((e) => e.type === type);
  const said = has('used') ? await listStatements(client, run) : [];
  const tools = has('wrenchChosen') ? await toolsInUse(client) : [];
  if (tools.length > 0) deps.runs.tools.set(session.shop.id, tools);
  return new Appending(
    state,
    earlier,
    {
      tools,
      said: new Map(said.map((s) => [s.id, s.body])),
      key: deps.keys.of(session.shop.id),
      isSigned: head.isSigned,
    },
    { shown: hashOf(body.holdKey), wanted: head.holdKey },
    { at: receivedAt, sentAt: body.sentAt ?? null, judgesWaits: deps.judgesWaits },
  );
}

/**
 * Who confirmed it: the person signed in. Or, on a shared device where another is on by now, the
 * person whose own session proves it.
 * @throws AppError WRONG_PERSON, FORBIDDEN
 */
async function confirmedBy(
  client: Client,
  session: Session,
  { events, proofs = [] }: AppendCall['body'],
): Promise<{ person: string; role: Role }> {
  const person = events[0]?.person ?? '';
  if (events.some((e) => e.person !== person)) throw new AppError('WRONG_PERSON');
  if (person === session.person.id) {
    if (!isAllowed(session.role, 'run.write'))
      throw new AppError('FORBIDDEN', { role: session.role });
    return { person, role: session.role };
  }
  const provers = new Map<string, { key: string; role: Role }>();
  for (const id of new Set(proofs.map((p) => p.session))) {
    const [row] = await findProver(client, id, person);
    if (row) provers.set(id, { key: row.entry_key.toString('base64url'), role: row.role });
  }
  const byEvent = new Map(proofs.map((p) => [p.event, p]));
  for (const event of events) {
    const given = byEvent.get(event.id);
    const prover = given && provers.get(given.session);
    if (
      !prover ||
      !timingSafeEqual(Buffer.from(entryProof(prover.key, event)), Buffer.from(given.proof))
    )
      throw new AppError('WRONG_PERSON');
    if (!isAllowed(prover.role, 'run.write'))
      throw new AppError('FORBIDDEN', { role: prover.role });
  }
  return { person, role: [...provers.values()][0]?.role ?? 'technician' };
}

/** What is found again without replaying: how much a wrench was used, and what is due. */
export async function keepWhatFollows(
  client: Client,
  at: { shop: string; run: string; sheet: Sheet },
  { fresh }: Appending,
  earlier: readonly Sealed[],
  person: string,
  now: Date,
): Promise<void> {
  const events = fresh.map((s) => s.stored.event);
  if (events.length === 0) return;
  await recountUses(client, at, [...earlier.map((s) => s.stored.event), ...events], events);
  if (events.some((e) => e.type === 'finished'))
    await keepFollowUps(client, at.run, { shop: at.shop, person, now });
}

/** What the stored list stands for; before its first event the part that this one begins. */
function stateOf(
  sheet: Sheet,
  earlier: readonly RunEvent[],
  first: RunEvent | undefined,
): RunState {
  if (earlier.length > 0) return replay(sheet, earlier);
  return initialState(sheet, first?.type === 'started' ? first.payload.part : undefined);
}

/** What is new in a run's list, as it is stored; null: nothing. */
export function newIn(
  run: string,
  { fresh, state, hold }: Appending,
  deviceName: string,
): NewInList | null {
  const last = fresh.at(-1);
  if (!last || !state.holder) return null;
  const isTaken = fresh.some((s) => s.stored.event.type === 'tookOver');
  return {
    run,
    state: state.status === 'notStarted' ? 'open' : state.status,
    holderPerson: state.holder.person,
    holderDevice: state.holder.device,
    newHolder: isTaken ? deviceName : null,
    hold: state.holder.hold,
    lastSeq: state.lastSeq,
    lastPosition: last.stored.position,
    headHash: last.hash,
    lastAt: last.stored.receivedAt,
    standing: standingOf(state, next(state)),
    holdKey: hold.wanted?.toString('hex') ?? null,
    entries: fresh.map(({ stored: { position, event }, body, hash, seal, lateMs }) => {
      const { id, hold: byHold, seq, type, person } = event;
      return { position, id, hold: byHold, seq, type, person, body, hash, seal, lateMs };
    }),
    uses: usesIn(fresh.map((s) => s.stored.event)),
  };
}
