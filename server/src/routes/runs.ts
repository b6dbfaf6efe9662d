import { timingSafeEqual } from 'node:crypto';
import type { Express } from 'express';
import { AppError } from '@stennet/core/errors';
import { assertRunnable, PROCEDURE, TAKE_APART, type Sheet } from '@stennet/core/procedure';
import { entryProof, type StoredEvent } from '@stennet/core/record';
import {
  initialState,
  next,
  replay,
  type EventOf,
  type RunEvent,
  type RunState,
} from '@stennet/core/run';
import { isAllowed, runName, type Appended, type Role } from '@stennet/core/contract';
import { crankHeldBy, leftOutBefore, startBlockers, type RunBefore } from '@stennet/core/prepare';
import { brokenConstraint, onlyRow, type Client } from '../db/database';
import appendRunEvents from '../db/queries/appendRunEvents.sql';
import findProver from '../db/queries/findProver.sql';
import findRun from '../db/queries/findRun.sql';
import listRunsOfJoint from '../db/queries/listRunsOfJoint.sql';
import insertRun from '../db/queries/insertRun.sql';
import listPeople from '../db/queries/listPeople.sql';
import listRunEvents from '../db/queries/listRunEvents.sql';
import listStatements from '../db/queries/listStatements.sql';
import lockRun from '../db/queries/lockRun.sql';
import updateRunHead from '../db/queries/updateRunHead.sql';
import { keepLate } from '../record/lateEvents';
import { keepFollowUps } from '../followUps/keepFollowUps';
import { serve, type Call, type Deps } from '../http/serve';
import { hashOf, type Session } from '../http/session';
import { keepWrenchUses } from '../record/keepWrenchUses';
import { Appending, type Sealed } from '../run/appending';
import { standingOf } from './standing';
import { toolsInUse } from './tools';
import { jointWithSheet, orderIn, orderLabel, type JointRow } from './orders';

export function runRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'run', async ({ client, params }) => {
    const run = onlyRow(
      (await client.query<RunRow>(findRun, [params.run])).rows,
      new AppError('RUN_UNKNOWN'),
    );
    const joint = await jointWithSheet(client, run.joint);
    const events = (await storedEvents(client, params.run ?? '')).map((s) => s.stored.event);
    const people = Object.fromEntries(
      (await client.query<{ id: string; name: string }>(listPeople)).rows.map((p) => [
        p.id,
        p.name,
      ]),
    );
    return {
      id: params.run ?? '',
      joint: run.joint,
      order: {
        ...orderLabel(joint),
        joint: runName(joint, { part: run.part, instance: run.instance || null }),
      },
      sheet: JSON.parse(run.sheet) as Sheet,
      sheetHash: run.sheet_hash,
      supersededBy: run.superseded_by,
      events,
      people,
      headHash: run.head_hash,
    };
  });
  serve(app, deps, 'appendRunEvents', append);
}

interface RunRow {
  joint: string;
  part: string;
  instance: string;
  head_hash: string;
  sheet: string;
  sheet_hash: string;
  superseded_by: string | null;
}

/**
 * What appending needs of a call: the server's own, or the demo's that writes what was done before
 * today.
 */
export type AppendCall = Pick<Call<'appendRunEvents'>, 'client' | 'session' | 'params' | 'body'> & {
  deps: Pick<Deps, 'now' | 'keys' | 'judgesWaits'>;
};

async function storedEvents(client: Client, run: string): Promise<Sealed[]> {
  const { rows } = await client.query<Omit<Sealed, 'stored'>>(listRunEvents, [run]);
  return rows.map((r) => ({ ...r, stored: JSON.parse(r.body) as StoredEvent }));
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
  const { person, role } = await confirmedBy(client, session, body);
  const receivedAt = deps.now().toISOString();
  const head = await lockedHead(
    client,
    run,
    body.events[0],
    session.shop.id,
    body.deviceName,
    receivedAt,
  );
  const earlier = await storedEvents(client, run);
  const said = (await client.query<{ id: string; body: string }>(listStatements, [run])).rows;
  const work = new Appending(
    stateOf(
      head.sheet,
      earlier.map((s) => s.stored.event),
      body.events[0],
    ),
    earlier,
    {
      tools: await toolsInUse(client),
      said: new Map(said.map((s) => [s.id, s.body])),
      key: deps.keys.of(session.shop.id),
      isSigned: head.isSigned,
    },
    { shown: hashOf(body.holdKey), wanted: head.holdKey },
    { at: receivedAt, sentAt: body.sentAt ?? null, judgesWaits: deps.judgesWaits },
  );
  await assertCrankFree(client, work.state, body.events);
  const refused = work.takeAll(body.events, head.sheetHash);
  // Whoever was too late to take over has done nothing by that; what came after it has to be asked
  // about.
  const late =
    refused?.error.code === 'HOLD_ENDED'
      ? body.events.slice(work.answered.length).filter((e) => e.type !== 'tookOver')
      : [];
  const isLate = late.length > 0;
  if (isLate)
    await keepLate(client, late, {
      shop: session.shop.id,
      run,
      role: role === 'lead' ? 'lead' : 'technician',
      at: deps.now(),
      isSigned: head.isSigned,
    });
  else if (refused && work.answered.length === 0) throw refused.error;
  await store(client, session.shop.id, run, work, body.deviceName);
  await keepWhatFollows(
    client,
    { shop: session.shop.id, run, sheet: head.sheet },
    work,
    earlier,
    person,
    deps.now(),
  );
  return {
    stored: work.answered,
    refused: refused && {
      id: refused.id,
      code: isLate ? 'KEPT_AS_CLAIM' : refused.error.code,
      params: { ...refused.error.params },
    },
  };
}

/**
 * Who confirmed it: whoever is signed in. Or, on a shared device where another is on by now, the
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
    const [row] = (await client.query<{ entry_key: Buffer; role: Role }>(findProver, [id, person]))
      .rows;
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

/** What is found again without replaying: which wrench was used, and what falls due. */
async function keepWhatFollows(
  client: Client,
  at: { shop: string; run: string; sheet: Sheet },
  { fresh }: Appending,
  earlier: readonly Sealed[],
  person: string,
  now: Date,
): Promise<void> {
  const events = fresh.map((s) => s.stored.event);
  if (events.length === 0) return;
  await keepWrenchUses(client, at, [...earlier.map((s) => s.stored.event), ...events], events);
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

interface Head {
  holdKey: Buffer | null;
  sheet: Sheet;
  sheetHash: string;
  isSigned: boolean;
}

async function lockedHead(
  client: Client,
  run: string,
  first: RunEvent | undefined,
  shop: string,
  deviceName: string,
  now: string,
): Promise<Head> {
  const lock = async (): Promise<Head | undefined> => {
    const row = (
      await client.query<{
        sheet: string;
        sheet_hash: string;
        signing: string;
        hold_key_hash: Buffer | null;
      }>(lockRun, [run])
    ).rows[0];
    return (
      row && {
        sheet: JSON.parse(row.sheet) as Sheet,
        sheetHash: row.sheet_hash,
        isSigned: row.signing !== 'open',
        holdKey: row.hold_key_hash,
      }
    );
  };
  const known = await lock();
  if (known) return known;
  if (first?.type !== 'started') throw new AppError('RUN_UNKNOWN');
  await beginRun(client, first, shop, deviceName, now);
  const begun = await lock();
  if (!begun) throw new Error('a run that was just inserted is not there');
  return begun;
}

async function beginRun(
  client: Client,
  started: EventOf<'started'>,
  shop: string,
  deviceName: string,
  now: string,
): Promise<void> {
  const joint = await jointWithSheet(client, started.payload.joint);
  if (
    joint.hash !== started.payload.sheetHash ||
    joint.sheet !== started.payload.sheet ||
    joint.revision !== started.payload.revision
  ) {
    throw new AppError('SHEET_MISMATCH');
  }
  assertRunnable(JSON.parse(joint.body) as Sheet);
  const part = started.payload.part ?? PROCEDURE;
  const instance = started.payload.instance ?? '';
  const others = (await client.query<RunBefore>(listRunsOfJoint, [joint.joint])).rows;
  const other = others.find((r) => r.part === part && r.instance === (instance || null));
  if (other)
    throw new AppError(other.state === 'finished' ? 'JOINT_ALREADY_TIGHT' : 'JOINT_HAS_OPEN_RUN');
  if (
    part === PROCEDURE &&
    others.some(
      (r) => r.part === TAKE_APART && r.instance === (instance || null) && r.state !== 'finished',
    )
  )
    throw new AppError('TAKE_APART_OPEN');
  await assertMayStart(client, joint, started, others);
  try {
    await client.query(insertRun, [
      shop,
      started.run,
      joint.joint,
      joint.sheet,
      joint.revision,
      started.person,
      started.device,
      deviceName,
      now,
      part,
      instance,
    ]);
  } catch (error) {
    // Two devices started at the same moment: the index decides.
    if (brokenConstraint(error) === 'run_one_per_place') throw new AppError('JOINT_HAS_OPEN_RUN');
    throw error;
  }
}

/** What the order, a teardown or a measurement knows binds every later run of the joint. */
async function assertMayStart(
  client: Client,
  joint: JointRow,
  { payload }: EventOf<'started'>,
  others: readonly RunBefore[],
): Promise<void> {
  const part = payload.part ?? PROCEDURE;
  const instance = payload.instance ?? null;
  const order = await orderIn(client, joint.order_id);
  const job = order.jobs.find((j) => j.joints.some((t) => t.id === joint.joint));
  const why = startBlockers({
    sheet: JSON.parse(joint.body) as Sheet,
    job: job?.id,
    joint: joint.joint,
    part,
    instance,
    joints: order.jobs.flatMap((j) => j.joints),
    entries: order.entries.map((e) => e.body),
  });
  if (why.length > 0) throw new AppError('START_BLOCKED', { reasons: why.join(' ') });
  if (part !== PROCEDURE) return;
  const answered = [...(payload.leftOut ?? []), ...(payload.repaired ?? [])];
  const open = leftOutBefore(others, instance).filter((seat) => !answered.includes(seat));
  if (open.length > 0) throw new AppError('LEFT_OUT_BEFORE', { fasteners: open.join(', ') });
}

/** The crank is turned away from a companion that is half-way only once that one is finished. */
async function assertCrankFree(
  client: Client,
  state: RunState,
  events: readonly RunEvent[],
): Promise<void> {
  const turns = events.some(
    (e) =>
      e.type === 'stepDone' &&
      state.sheet.stages.some((s) => s.action === 'turnCrank' && s.id === e.payload.step),
  );
  if (!turns || !state.joint || !state.sheet.instances?.crankDeg) return;
  const others = (await client.query<RunBefore>(listRunsOfJoint, [state.joint])).rows;
  const held = crankHeldBy(state.sheet, state, others);
  if (held) throw new AppError('CRANK_BLOCKED', { instance: held });
}

async function store(
  client: Client,
  shop: string,
  run: string,
  work: Appending,
  deviceName: string,
): Promise<void> {
  const { fresh, state } = work;
  const last = fresh.at(-1);
  if (!last || !state.holder) return;
  const column = <T>(of: (s: Sealed) => T): T[] => fresh.map(of);
  await client.query(appendRunEvents, [
    shop,
    run,
    column((s) => s.stored.position),
    column((s) => s.stored.event.id),
    column((s) => s.stored.event.hold),
    column((s) => s.stored.event.seq),
    column((s) => s.stored.event.type),
    column((s) => s.stored.event.person),
    column((s) => s.body),
    column((s) => s.hash),
    column((s) => s.seal),
    column((s) => s.lateMs),
  ]);
  const newHolder = fresh.some((s) => s.stored.event.type === 'tookOver') ? deviceName : null;
  await client.query(updateRunHead, [
    run,
    state.status === 'notStarted' ? 'open' : state.status,
    state.holder.person,
    state.holder.device,
    newHolder,
    state.holder.hold,
    state.lastSeq,
    last.stored.position,
    last.hash,
    last.stored.receivedAt,
    JSON.stringify(standingOf(state, next(state))),
    work.hold.wanted,
  ]);
}
