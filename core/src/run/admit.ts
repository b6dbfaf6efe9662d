import { AppError } from '../errors';
import { plainText, units } from '../quantity';
import { admitBack } from './admitBack';
import { admitCondition } from './oneTimeUse';
import { admitHeld, admitReconciled, admitRestart, admitSwap, admitUsed } from './admitHold';
import { admitPass, admitPull } from './admitPull';
import { admitTool, admitSetting } from './admitTool';
import { admitEnds, clocks } from './clocks';
import type { EventOf, RunEvent } from './events';
import { evolve } from './evolve';
import { lifeOf, seatIdOf } from './seats';
import { next } from './next';
import { type Next } from './due';
import { allSame, notNext, sameFastener } from './refuse';
import type { RunState } from './state';
import { admitStep, admitRound, admitWaited } from './admitStep';

/**
 * Lets an event in or refuses it. The same code decides on the device and on the server.
 * @throws AppError with what is wrong and what to do now
 */
export function admit(state: RunState, event: RunEvent): void {
  admitPlace(state, event);
  if (event.type === 'started' || event.type === 'tookOver') return;
  if (state.status === 'finished') {
    if (event.type !== 'used') throw new AppError('RUN_FINISHED');
    return admitUsed(state, event);
  }
  if (state.status === 'paused' && event.type !== 'resumed') throw new AppError('RUN_PAUSED');
  if ('doneAt' in event.payload && event.payload.doneAt) admitDoneAt(event, event.payload.doneAt);
  admitWhat(state, event, next(state));
  // A clock that this would end must still be running.
  if (state.sheet.clocks.length > 0 && event.type !== 'undone' && event.type !== 'overran')
    admitEnds(state.sheet, state.progress, evolve(state, event).progress, event);
}

/** Envelope: the right run, the right hold, no gap. */
function admitPlace(state: RunState, event: RunEvent): void {
  if (event.type === 'started') return admitStart(state, event);
  if (!state.holder) throw new AppError('RUN_NOT_STARTED');
  if (event.run !== state.run) throw new AppError('RUN_UNKNOWN');
  if (event.type === 'tookOver') return admitTakeOver(state, event);
  if (event.hold < state.holder.hold) throw new AppError('HOLD_ENDED');
  if (event.hold > state.holder.hold)
    throw new AppError('HOLD_WRONG', { expected: state.holder.hold });
  if (event.device !== state.holder.device) throw new AppError('HOLD_ENDED');
  if (event.seq !== state.lastSeq + 1)
    throw new AppError('EVENT_GAP', { expected: state.lastSeq + 1 });
}

function admitStart(state: RunState, event: EventOf<'started'>): void {
  if (state.status !== 'notStarted') throw new AppError('RUN_ALREADY_STARTED');
  if (event.hold !== 1) throw new AppError('HOLD_WRONG', { expected: 1 });
  if (event.seq !== 1) throw new AppError('EVENT_GAP', { expected: 1 });
  const { sheet, revision, part, instance } = event.payload;
  if (
    sheet !== state.sheet.id ||
    revision !== state.sheet.revision ||
    (part ?? 'procedure') !== state.part
  )
    throw new AppError('SHEET_MISMATCH');
  const { instances } = state.sheet;
  const isKnown = instances
    ? instance !== undefined && instances.labels.includes(instance)
    : instance === undefined;
  if (!isKnown) throw new AppError('INSTANCE_UNKNOWN', { instance: instance ?? '–' });
}

function admitTakeOver(state: RunState, event: EventOf<'tookOver'>): void {
  const hold = (state.holder?.hold ?? 0) + 1;
  if (event.hold < hold) throw new AppError('HOLD_ENDED');
  if (event.hold > hold) throw new AppError('HOLD_WRONG', { expected: hold });
  if (event.seq !== 1) throw new AppError('EVENT_GAP', { expected: 1 });
}

/** Nothing was done later than it was confirmed. */
function admitDoneAt(event: RunEvent, doneAt: string): void {
  if (Date.parse(doneAt) > Date.parse(event.deviceTime)) throw new AppError('DONE_AT_WRONG');
}

type Open = Exclude<RunEvent, EventOf<'started' | 'tookOver'>>;

/** Who lets in which kind of event; what is not named here may always come. */
const ADMITS: { [T in Open['type']]?: (state: RunState, event: EventOf<T>, due: Next) => void } = {
  variantAnswered: admitVariant,
  valueChosen: admitValue,
  fitted: admitFitted,
  wrenchChosen: admitTool,
  wrenchSet: (_state, event, due) => admitSetting(event, due),
  stepDone: admitStep,
  pulled: admitPull,
  passConfirmed: admitPass,
  roundDone: (_state, event, due) => admitRound(event, due),
  waited: (_state, event, due) => admitWaited(event, due),
  overran: admitOverrun,
  held: (_state, event, due) => admitHeld(event, due),
  used: admitUsed,
  swapped: admitSwap,
  setAside: admitAside,
  failed: admitFailure,
  added: admitAdded,
  bagged: (_state, event, due) => admitBagged(event, due),
  slackened: (_state, event, due) => admitSlackened(event, due),
  restarted: admitRestart,
  reconciled: (_state, event, due) => admitReconciled(event, due),
  undone: admitBack,
  corrected: admitBack,
  resumed: (_state, _event, due) => admitEnd('resumed', due),
  finished: (_state, _event, due) => admitEnd('finished', due),
};

function admitWhat(state: RunState, event: Open, due: Next): void {
  const admits = ADMITS[event.type] as
    ((state: RunState, event: Open, due: Next) => void) | undefined;
  admits?.(state, event, due);
}

function admitEnd(type: 'resumed' | 'finished', due: Next): void {
  if (due.kind !== (type === 'resumed' ? 'resume' : 'finish')) throw notNext(due);
}

/**
 * What was seen at the vehicle: one of the answers of the sheet's own questions, and one that leads
 * to this sheet.
 */
function admitVariant({ sheet }: RunState, { payload }: EventOf<'variantAnswered'>): void {
  const question = sheet.tellApart.find((t) => t.question === payload.question);
  const answer = question?.answers.find((a) => a.text === payload.answer);
  if (!answer) throw new AppError('ANSWER_UNKNOWN', { answer: payload.answer });
  if (answer.sheet !== sheet.id) throw new AppError('SHEET_MISMATCH');
}

function admitOverrun(state: RunState, event: EventOf<'overran'>, due: Next): void {
  const isRunning = clocks(state).some(
    (r) => r.clock.id === event.payload.clock && r.clock.kind === 'within',
  );
  if (state.progress.toReconcile.length > 0 || !isRunning) throw notNext(due);
}

/** Inside the published range, and never below what already stands on a fastener. */
function admitValue(state: RunState, event: EventOf<'valueChosen'>, due: Next): void {
  if (due.kind !== 'chooseValue') throw notNext(due);
  const { stage, part, value } = event.payload;
  if (stage !== due.stage.id || part !== due.part?.id)
    throw new AppError('WRONG_STAGE', { expected: due.stage.name });
  const { target, fallback } = due.part ? { ...due.part, fallback: undefined } : due.stage;
  const options = [target, fallback].filter((t) => t !== undefined);
  const fits = options.some(
    (t) =>
      t.unit === value.unit &&
      ('value' in t ? t.value === value.value : value.value >= t.min && value.value <= t.max),
  );
  const [first] = options;
  if (!fits && first)
    throw new AppError('VALUE_OUT_OF_RANGE', {
      value: plainText(value),
      range:
        'value' in first
          ? plainText(first)
          : `${first.min}–${first.max} ${units[first.unit].symbol}`,
    });
}

function admitFitted(state: RunState, event: EventOf<'fitted'>, due: Next): void {
  if (due.kind !== 'fit') throw notNext(due);
  const { fasteners } = event.payload;
  allSame(
    fasteners.map((f) => f.fastener),
    due.fasteners,
  );
  for (const f of fasteners) admitCondition(state, f, due.newOnly);
}

/** All that is still clamped, in one go: no one goes back over a joint that is half loose. */
function admitSlackened(event: EventOf<'slackened'>, due: Next): void {
  if (due.kind !== 'slacken') throw notNext(due);
  allSame(event.payload.fasteners, due.fasteners);
}

/** What came out, each in one bag or on one board. */
function admitBagged(event: EventOf<'bagged'>, due: Next): void {
  if (due.kind !== 'bag') throw notNext(due);
  const { fasteners } = event.payload;
  if (
    fasteners.some((f) => !due.fasteners.includes(f)) ||
    new Set(fasteners).size !== fasteners.length
  )
    throw new AppError('REQUIRES_ALL');
}

/** The last one that is open cannot be set aside again, where the stage has to close with it. */
function admitAside(state: RunState, event: EventOf<'setAside'>, due: Next): void {
  if (due.kind !== 'pull' && due.kind !== 'setTool' && due.kind !== 'chooseTool')
    throw notNext(due);
  const seat = state.progress.seats[seatIdOf(event.payload.fastener)];
  if (due.kind === 'pull') sameFastener(event.payload.fastener, due.fastener);
  if (!seat || lifeOf(event.payload.fastener) !== seat.life)
    throw new AppError('FASTENER_NOT_THERE', { fastener: event.payload.fastener });
  if (due.kind !== 'pull') throw notNext(due);
  const stage = due.stage;
  const atEnd = state.progress.stage >= state.sheet.stages.length;
  if (due.reason === 'replacementCatchesUp' || (due.reason === 'lagsBehind' && atEnd))
    throw new AppError('ASIDE_NOT_POSSIBLE', { fastener: due.fastener });
  if (due.reason === 'lagsBehind') return;
  if (seat.aside > 0 && !stage.mayLag && !due.task.settling)
    throw new AppError('ASIDE_NOT_POSSIBLE', { fastener: due.fastener });
}

function admitFailure(state: RunState, event: EventOf<'failed'>, due: Next): void {
  const { fastener, step, kind } = event.payload;
  if (kind === 'stepAbandoned') {
    if (due.kind !== 'step' || due.step.id !== step) throw notNext(due);
    const isStopped =
      due.step.kind === 'hold' || state.progress.steps[due.step.id]?.then === 'stop';
    if (isStopped && !state.progress.allowed[`step:${due.step.id}`])
      throw new AppError('STEP_STOPS');
    return;
  }
  if (due.kind !== 'pull' && due.kind !== 'hold') throw notNext(due);
  if (!fastener || step) throw new AppError('REQUIRES_ALL');
  if (due.kind === 'hold' && due.hold.kind !== 'failed') throw notNext(due);
  sameFastener(fastener, due.fastener ?? '');
}

/** What the sheet does not ask for: recorded, never lost, never breaks the order. */
function admitAdded(state: RunState, event: EventOf<'added'>, due: Next): void {
  if (due.kind === 'reconcile' || due.kind === 'hold' || due.kind === 'fit') throw notNext(due);
  for (const f of event.payload.fasteners) {
    const seat = state.progress.seats[seatIdOf(f)];
    if (!seat || seat.life !== lifeOf(f) || !seat.fitted || seat.leftOut)
      throw new AppError('FASTENER_NOT_THERE', { fastener: f });
  }
  if (new Set(event.payload.fasteners).size !== event.payload.fasteners.length)
    throw new AppError('REQUIRES_ALL');
}
