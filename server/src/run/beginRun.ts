import { isDeepStrictEqual } from 'node:util';
import type { Role } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { isPracticeId } from '@stennet/core/practice';
import {
  type RunBefore,
  chosenBefore,
  startBlockers,
  leftOutBefore,
  crankHeldBy,
} from '@stennet/core/prepare';
import { type Sheet, assertRunnable, PROCEDURE, TAKE_APART } from '@stennet/core/procedure';
import type { RunEvent, EventOf, RunState } from '@stennet/core/run';
import { type Client, brokenConstraint } from '../db/database';
import { listUnpracticed } from '../db/practice';
import { lockRun, listRunsOfJoint, insertRun } from '../db/runs';
import { jointWithSheet, type JointRow, orderIn } from '../order/findOrder';
import type { KeptRun } from '../record/keptRuns';

export interface Head {
  holdKey: Buffer | null;
  sheet: Sheet;
  sheetHash: string;
  /** Of its last entry. */
  hash: string;
  isSigned: boolean;
}

/** @param known what was kept of this run: its sheet is not sent again */
export async function lockedHead(
  client: Client,
  run: string,
  first: RunEvent | undefined,
  known: KeptRun | undefined,
  begins: { shop: string; by: { person: string; role: Role }; deviceName: string; now: string },
): Promise<Head> {
  const lock = async (): Promise<Head | undefined> => {
    const row = (await lockRun(client, run, known?.sheetHash ?? null))[0];
    return (
      row && {
        sheet: row.sheet === null && known ? known.sheet : (JSON.parse(row.sheet ?? '') as Sheet),
        sheetHash: row.sheet_hash,
        hash: row.head_hash,
        isSigned: row.signing !== 'open',
        holdKey: row.hold_key_hash,
      }
    );
  };
  const there = await lock();
  if (there) return there;
  if (first?.type !== 'started') throw new AppError('RUN_UNKNOWN');
  if (isPracticeId(run)) throw new AppError('PRACTICE_ONLY');
  await beginRun(client, first, begins.shop, begins.by, begins.deviceName, begins.now);
  const begun = await lock();
  if (!begun) throw new Error('a run that was just inserted is not there');
  return begun;
}

async function beginRun(
  client: Client,
  started: EventOf<'started'>,
  shop: string,
  by: { person: string; role: Role },
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
  const others = await listRunsOfJoint(client, joint.joint);
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
  await assertPracticed(client, by, (JSON.parse(joint.body) as Sheet).kind);
  try {
    await insertRun(
      client,
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
    );
  } catch (error) {
    // Two devices started at the same moment: the index decides.
    if (brokenConstraint(error) === 'run_one_per_place') throw new AppError('JOINT_HAS_OPEN_RUN');
    throw error;
  }
}

/**
 * Whoever tightens this kind of joint has passed what the lead asks for.
 * @throws AppError PRACTICE_FIRST
 */
export async function assertPracticed(
  client: Client,
  { person, role }: { person: string; role: Role },
  kind: string,
): Promise<void> {
  const open = await listUnpracticed(client, person, role, kind);
  if (open.length > 0)
    throw new AppError('PRACTICE_FIRST', { exercises: open.map((r) => r.exercise).join(',') });
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
  const chosen = chosenBefore(JSON.parse(joint.body) as Sheet, others, { part, instance });
  if (!isDeepStrictEqual(payload.values ?? {}, chosen)) throw new AppError('VALUES_UNLIKE');
  if (part !== PROCEDURE) return;
  const answered = [...(payload.leftOut ?? []), ...(payload.repaired ?? [])];
  const open = leftOutBefore(others, instance).filter((seat) => !answered.includes(seat));
  if (open.length > 0) throw new AppError('LEFT_OUT_BEFORE', { fasteners: open.join(', ') });
}

/** The crank is turned away from a companion that is half-way only once that one is finished. */
export async function assertCrankFree(
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
  const others = await listRunsOfJoint(client, state.joint);
  const held = crankHeldBy(state.sheet, state, others);
  if (held) throw new AppError('CRANK_BLOCKED', { instance: held });
}
