import { AppError } from '../errors';
import type { Step } from '../procedure';
import { convert, plainText, units } from '../quantity';
import { admitBack } from './admitBack';
import { admitCondition } from './admitCondition';
import { admitHeld, admitReconciled, admitRestart, admitSwap, admitUsed } from './admitHold';
import { admitPass, admitPull } from './admitPull';
import { admitTool, admitSetting } from './admitTool';
import { admitEnds, clocks } from './clocks';
import type { EventOf, RunEvent } from './events';
import { evolve } from './evolve';
import { lifeOf, seatIdOf } from './seats';
import { next, type Next } from './next';
import { allSame, notNext, sameFastener } from './refuse';
import type { RunState } from './state';
import { placeOf as placeOfStep } from './steps';
import { judgedFor, withinLimits } from './foldStep';

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

function admitStep(state: RunState, event: EventOf<'stepDone'>, due: Next): void {
  const { payload } = event;
  if (due.kind === 'mark' && payload.step === 'mark')
    return allSame(payload.fasteners ?? [], due.fasteners);
  if (due.kind === 'neighbours' && payload.step === 'neighbours') {
    if (payload.moved?.some((f) => !due.fasteners.includes(f))) throw new AppError('REQUIRES_ALL');
    return allSame(payload.fasteners ?? [], due.fasteners);
  }
  if (due.kind === 'turnCrank' && payload.step === due.stage.id) return;
  if (due.kind === 'hold' && due.hold.kind === 'failed' && due.hold.rung === payload.step) {
    if (!['worked', 'didNot', 'stop'].includes(payload.answer ?? ''))
      throw new AppError('ANSWER_UNKNOWN', { answer: payload.answer ?? '' });
    return;
  }
  if (due.kind !== 'step' || payload.step !== due.step.id) throw notNext(due);
  if (payload.also?.some((id) => !due.also.some((s) => s.id === id))) throw notNext(due);
  if (payload.deferTo) return admitDeferral(state, due.step, payload.deferTo);
  admitAnswer(due.step, payload);
}

function admitAnswer(step: Step, payload: EventOf<'stepDone'>['payload']): void {
  if (payload.pendingLead && step.kind === 'apply') throw new AppError('PENDING_NOT_ALLOWED');
  if (step.kind === 'rest' && !payload.note) throw new AppError('NOTE_NEEDED');
  if (step.answers) admitAnswers(step, step.answers, payload);
  if (step.measure) return admitMeasured(step, payload);
  if (!step.limits) return;
  const rows = step.rows ?? [undefined];
  const given = payload.measurements ?? [];
  if (!coversRows(rows, given)) throw new AppError('MEASUREMENTS_NEEDED', { count: rows.length });
  const unit = step.limits.max?.unit ?? step.limits.min?.unit;
  for (const m of given) if (unit) convert(m.value, unit);
  withinLimits(step, given);
}

const coversRows = (
  rows: readonly (string | undefined)[],
  given: readonly { row?: string | undefined }[],
): boolean => given.length === rows.length && rows.every((row) => given.some((g) => g.row === row));

/** One of the sheet's own answers: for each of its rows, where it has any. */
function admitAnswers(
  step: Step,
  known: NonNullable<Step['answers']>,
  payload: EventOf<'stepDone'>['payload'],
): void {
  const given = step.rows ? (payload.answers ?? []) : [{ answer: payload.answer ?? '' }];
  if (step.rows && !coversRows(step.rows, payload.answers ?? []))
    throw new AppError('ANSWERS_NEEDED', { count: step.rows.length });
  const unknown = given.find((g) => !known.some((a) => a.text === g.answer));
  if (unknown) throw new AppError('ANSWER_UNKNOWN', { answer: unknown.answer });
}

/** Of the kind that the sheet asks for, at every place it names, and enough to judge. */
function admitMeasured(step: Step, { measured }: EventOf<'stepDone'>['payload']): void {
  const rows = step.rows ?? [];
  const isThere =
    measured !== undefined &&
    measured.what === step.measure?.what &&
    rows.every((row) =>
      measured.rows.some((r) => r.row === row && r.values.some((x) => x !== null)),
    );
  if (!isThere) throw new AppError('MEASUREMENTS_NEEDED', { count: Math.max(1, rows.length) });
  judgedFor(step, measured);
}

/** All that is still clamped, in one go: nobody goes back over a joint that is half loose. */
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

/** Only plain steps are put off, and only to one that comes later. */
function admitDeferral(state: RunState, step: Step, to: string): void {
  const later = state.sheet.steps.find((s) => s.id === to);
  const mayWait =
    !step.answers &&
    !step.limits &&
    !step.measure &&
    !['hold', 'rest', 'mark', 'apply'].includes(step.kind);
  if (
    !mayWait ||
    !later ||
    placeOfStep(state.sheet, later) < placeOfStep(state.sheet, step) ||
    later.id === step.id
  )
    throw new AppError('DEFER_NOT_ALLOWED');
}

function admitRound(event: EventOf<'roundDone'>, due: Next): void {
  if (due.kind !== 'round') throw notNext(due);
  const { stage, round, seated, gap, notSeated } = event.payload;
  if (stage !== due.stage.id) throw new AppError('WRONG_STAGE', { expected: due.stage.name });
  if (round !== due.round) throw new AppError('WRONG_PASS', { expected: due.round, got: round });
  if (notSeated?.some((f) => !due.fasteners.includes(f))) throw new AppError('REQUIRES_ALL');
  const { target, tolerance } = due.stage;
  if (!seated || !target || !('value' in target)) return;
  if (!gap) throw new AppError('MEASUREMENTS_NEEDED', { count: 1 });
  const read = convert(gap, target.unit);
  const { plus, minus } = tolerance ?? { plus: 0, minus: target.value };
  if (read < target.value - minus - 1e-9 || read > target.value + plus + 1e-9)
    throw new AppError('NOT_SEATED', { gap: plainText(gap) });
}

/**
 * No bay is colder; warm means warm, not hot: so far above what was asked, somebody read another
 * gauge.
 */
const COLDEST = -30;
const HOTTER = 40;

function admitWaited(event: EventOf<'waited'>, due: Next): void {
  const { stage, clock, celsius } = event.payload;
  const early = (until: string | null): void => {
    if (until && Date.parse(event.deviceTime) < Date.parse(until))
      throw new AppError('TOO_EARLY', { until });
  };
  if (due.kind === 'waitClock' && clock === due.running.clock.id) return early(due.running.limitAt);
  if (due.kind !== 'wait' || stage !== due.stage.id) throw notNext(due);
  const until = due.stage.waitUntil;
  if (!until || 'minutes' in until) return early(due.until);
  if (celsius === undefined) throw new AppError('MEASUREMENTS_NEEDED', { count: 1 });
  if (celsius < COLDEST || (until.is === 'atLeast' && celsius > until.celsius + HOTTER))
    throw new AppError('TEMPERATURE_IMPLAUSIBLE', { celsius, wanted: until.celsius });
  const isThere = until.is === 'atLeast' ? celsius >= until.celsius : celsius <= until.celsius;
  if (!isThere) throw new AppError('NOT_THAT_WARM', { celsius, wanted: until.celsius });
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
