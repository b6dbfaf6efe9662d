import { AppError } from '../errors';
import type { Step } from '../procedure';
import { convert, plainText } from '../quantity';
import type { Next } from './due';
import type { EventOf } from './events';
import { withinLimits, judgedFor } from './foldStep';
import { allSame, notNext } from './refuse';
import type { RunState } from './state';
import { placeOf as placeOfStep } from './steps';

export function admitStep(state: RunState, event: EventOf<'stepDone'>, due: Next): void {
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

export function admitRound(event: EventOf<'roundDone'>, due: Next): void {
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
 * No bay is colder; warm means warm, not hot: so far above what was asked, someone read another
 * gauge.
 */
const COLDEST = -30;
const HOTTER = 40;
export function admitWaited(event: EventOf<'waited'>, due: Next): void {
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
