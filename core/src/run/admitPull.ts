import { AppError } from '../errors';
import { stageIndex } from '../procedure';
import { convert, units } from '../quantity';
import type { EventOf } from './events';
import type { Next, PullNext } from './due';
import { askedBack, notNext, sameFastener } from './refuse';
import { tooMuchOf } from './judgePull';
import { lifeOf, openTogether, seatIdOf, stripeBefore } from './seats';
import type { RunState } from './state';
import { taskOf, type Task } from './task';

/** Beyond this no hand turns a fastener in one pull. */
const MOST_DEG = 360;
/** As near as a stripe is read off by eye. */
const EYE_DEG = 10;
const MOST_STRETCH_MM = 3;
type Pulled = EventOf<'pulled'>['payload'];

export function admitPull(state: RunState, event: EventOf<'pulled'>, due: Next): void {
  const { payload } = event;
  if (due.kind === 'hold') return admitInHold(state, payload, due);
  if (due.kind !== 'pull') throw notNext(due);
  if (payload.stage !== due.stage.id)
    throw new AppError('WRONG_STAGE', { expected: due.stage.name });
  admitWhich(state, payload, due);
  if (payload.pass !== due.pass)
    throw new AppError('WRONG_PASS', { expected: due.pass, got: payload.pass });
  if (payload.part !== due.task.part?.id)
    throw new AppError('WRONG_STAGE', { expected: due.task.part?.id ?? due.stage.name });
  if (isReadOff(payload, due)) return admitStripe(state, payload, payload.stripeDeg ?? 0);
  if (
    due.tool.method === 'byHand'
      ? !['byHand', 'powerTool'].includes(payload.method)
      : payload.method !== due.tool.method
  )
    throw new AppError('METHOD_NOT_ALLOWED', { method: payload.method });
  if ((payload.wrench ?? null) !== (due.tool.wrench?.id ?? null))
    throw new AppError('WRENCH_UNKNOWN');
  admitOutcome(payload, due);
  admitReading(payload.reading, due.task);
  admitTooMuch(state, payload);
  if (payload.turnDeg !== undefined && (!due.task.settling || payload.method !== 'digital'))
    throw new AppError('METHOD_NOT_ALLOWED', { method: 'noTurn' });
}

/**
 * The one on the screen; another only where the order is free, where it is pulled once more, or
 * said to be another one.
 */
function admitWhich(state: RunState, payload: Pulled, due: PullNext): void {
  const seat = state.progress.seats[seatIdOf(payload.fastener)];
  if (payload.insteadOf !== undefined) {
    sameFastener(payload.insteadOf, due.fastener);
    const isThere =
      seat &&
      seat.life === lifeOf(payload.fastener) &&
      seat.fitted &&
      !seat.leftOut &&
      seat.parts === 0 &&
      payload.fastener !== due.fastener;
    if (!isThere || due.task.part)
      throw new AppError('WRONG_FASTENER', { expected: due.fastener, got: payload.fastener });
    return;
  }
  if (payload.again) {
    const isDone =
      state.progress.inPass[seatIdOf(payload.fastener)] &&
      seat?.life === lifeOf(payload.fastener) &&
      stageIndex(state.sheet, payload.stage) === state.progress.stage;
    if (!isDone || due.task.part || due.task.action === 'angle')
      throw new AppError('WRONG_FASTENER', { expected: due.fastener, got: payload.fastener });
    return;
  }
  if (!due.others.includes(payload.fastener)) sameFastener(payload.fastener, due.fastener);
}

function admitOutcome(payload: Pulled, due: PullNext): void {
  const mayStop =
    due.task.action === 'torque' || due.task.action === 'angle' || due.task.action === 'stretch';
  if (!due.outcomes.includes(payload.outcome) && !(mayStop && payload.outcome === 'stoppedShort'))
    throw new AppError('WRONG_OUTCOME', { got: payload.outcome });
  if (due.task.action === 'stretch' && payload.outcome === 'reached' && !payload.reading)
    throw new AppError('MEASUREMENTS_NEEDED', { count: 1 });
  if (payload.reading && payload.method === 'click')
    throw new AppError('METHOD_NOT_ALLOWED', { method: 'clickNumber' });
  if (due.mustTurn && payload.outcome === 'heldStill' && !payload.looked)
    throw new AppError('DRY_FIRST_TORQUE');
}

export function admitReading(reading: Pulled['reading'], task: Task): void {
  if (!reading) return;
  const kind = task.action === 'angle' ? 'angle' : task.action === 'stretch' ? 'length' : 'torque';
  if (units[reading.unit].kind !== kind)
    throw new AppError('READING_UNIT', {
      expected: { angle: '°', length: 'mm', torque: 'N·m' }[kind],
    });
  const most =
    kind === 'angle'
      ? MOST_DEG
      : kind === 'length'
        ? convert({ value: MOST_STRETCH_MM, unit: 'mm' }, reading.unit)
        : convert({ value: 2000, unit: 'N.m' }, reading.unit);
  if (reading.value <= 0 || reading.value > most)
    throw new AppError('READING_IMPLAUSIBLE', { value: reading.value });
}

/**
 * A lost angle may still be read off the stripe; one that would not loosen may come loose after
 * all.
 */
function admitInHold(state: RunState, payload: Pulled, due: Extract<Next, { kind: 'hold' }>): void {
  sameFastener(payload.fastener, due.fastener ?? '');
  if (payload.stage !== due.stage.id)
    throw new AppError('WRONG_STAGE', { expected: due.stage.name });
  if (due.ways.includes('again') && payload.outcome === 'done') return;
  if (
    !due.ways.includes('readStripe') ||
    payload.method !== 'stripe' ||
    payload.outcome !== 'reached' ||
    payload.stripeDeg === undefined
  )
    throw notNext(due);
  admitStripe(state, payload, payload.stripeDeg);
}

/** After a time away the stripe tells what was turned, whatever the stage is turned with. */
const isReadOff = (payload: Pulled, due: PullNext): boolean =>
  payload.method === 'stripe' &&
  payload.stripeDeg !== undefined &&
  due.task.action === 'angle' &&
  payload.outcome === 'reached' &&
  !payload.insteadOf &&
  !payload.again;

/**
 * Where the stripe stands now, from where it was painted: never before the turn that it had, within
 * what an eye reads off.
 */
function admitStripe(state: RunState, payload: Pulled, stripeDeg: number): void {
  const seat = state.progress.seats[seatIdOf(payload.fastener)];
  const task =
    seat && taskOf(state.sheet, state.progress, stageIndex(state.sheet, payload.stage), seat.parts);
  const before = seat && task ? stripeBefore(seat, task.key) : null;
  if (before === null || !task?.target) throw new AppError('STRIPE_UNREADABLE');
  if (stripeDeg < before - EYE_DEG)
    throw new AppError('STRIPE_BEHIND', { before, value: stripeDeg });
  if (stripeDeg > before + 2 * task.target.value + MOST_DEG)
    throw new AppError('READING_IMPLAUSIBLE', { value: stripeDeg });
  admitTooMuch(state, payload);
}

/**
 * Far past what the fastener or the wrench is made for: asked back once, because it is more often a
 * slip than a pull.
 */
function admitTooMuch(state: RunState, payload: Pulled): void {
  const much = payload.sure ? null : tooMuchOf(state.sheet, state.progress, payload);
  if (much) throw askedBack(much);
}

/**
 * Several together: the next ones in order, never by angle, and a first torque that did not turn is
 * looked at singly.
 */
export function admitPass(state: RunState, event: EventOf<'passConfirmed'>, due: Next): void {
  if (due.kind !== 'pull') throw notNext(due);
  const { stage, pass, fasteners, outcome } = event.payload;
  if (stage !== due.stage.id || due.stageIndex !== state.progress.stage)
    throw new AppError('WRONG_STAGE', { expected: due.stage.name });
  if (due.task.action === 'angle' || due.task.action === 'stretch' || due.task.part)
    throw new AppError('ANGLE_TOGETHER');
  if (pass !== due.pass) throw new AppError('WRONG_PASS', { expected: due.pass, got: pass });
  const open = openTogether(state);
  const expected = due.others.length > 0 ? open : open.slice(0, fasteners.length);
  if (new Set(fasteners).size !== fasteners.length || !fasteners.every((f) => expected.includes(f)))
    throw new AppError('WRONG_FASTENER', {
      expected: expected.join(', '),
      got: fasteners.join(', '),
    });
  if (!due.outcomes.includes(outcome) || outcome === 'noClick')
    throw new AppError('WRONG_OUTCOME', { got: outcome });
  if (due.mustTurn && outcome === 'heldStill') throw new AppError('DRY_FIRST_TORQUE');
}
