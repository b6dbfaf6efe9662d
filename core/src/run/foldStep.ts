import { judgeMeasured, type Judged } from '../measure';
import { CONSEQUENCES, stageIndex, type Sheet, type Step } from '../procedure';
import { convert } from '../quantity';
import { advance, closeStage, withSeat, withSeats, without } from './advance';
import { noted } from './deviation';
import type { EventOf } from './events';
import { timeOf } from './foldPull';
import { eased } from './foldPass';
import { goBack, slackened } from './goBack';
import { isRung, rungsOf } from './ladder';
import { hasTurned, idsNamed, lifeOf, seatIdOf, seatOf } from './seats';
import type { Progress, StepAnswer } from './state';

/** Asked by the machine itself, not by a step of the sheet. */
export const MARK = 'mark';
export const NEIGHBOURS = 'neighbours';

type Done = EventOf<'stepDone'>;

export function foldStep(sheet: Sheet, p: Progress, event: Done): Progress {
  const { payload } = event;
  if (payload.step === MARK && !sheet.steps.some((s) => s.id === MARK))
    return marked(p, payload.fasteners?.map(seatIdOf) ?? []);
  if (payload.step === NEIGHBOURS) return lookedAt(sheet, p, event);
  const stage = sheet.stages[p.stage];
  if (stage?.action === 'turnCrank' && payload.step === stage.id)
    return advance(sheet, closeStage(sheet, p, timeOf(event)), timeOf(event));
  if (isRung(sheet, payload.step)) return climbed(sheet, p, event);
  const after = [payload.step, ...(payload.also ?? [])].reduce<Progress>(
    (at, id) => answered(sheet, at, event, id),
    p,
  );
  if (stage?.action === 'do' && stage.step === payload.step && after.steps[payload.step]?.settled)
    return advance(sheet, closeStage(sheet, after, timeOf(event)), timeOf(event));
  return after;
}

function answered(sheet: Sheet, p: Progress, event: Done, id: string): Progress {
  const step = sheet.steps.find((s) => s.id === id);
  if (!step) return p;
  const { payload } = event;
  const found = id === payload.step ? foundBy(step, payload) : NOTHING_FOUND;
  const { then, pending, deferTo } = found;
  const answer: StepAnswer = {
    settled: deferTo === null && (pending || then === null || then === 'goOn'),
    answer: found.answer,
    then,
    deferredTo: deferTo,
  };
  const kept: Progress = { ...p, steps: { ...p.steps, [id]: answer } };
  if (then === 'back' && !pending) return backTo(sheet, kept, step, event);
  if (!answer.settled) return kept;
  const timed = { ...kept, times: { ...kept.times, [`step:${id}`]: timeOf(event) } };
  const named = pending ? noted(timed, event, 'outOfLimits', { stage: id }) : timed;
  return step.kind === 'mark'
    ? marked(named, step.on ? idsNamed(sheet, step.on) : Object.keys(p.seats))
    : named;
}

type Consequence = (typeof CONSEQUENCES)[number];
interface Found {
  answer: string | null;
  then: Consequence | null;
  pending: boolean;
  deferTo: string | null;
}
const NOTHING_FOUND: Found = { answer: null, then: null, pending: false, deferTo: null };

/** What an answer comes to: of several rows the gravest, of readings what is outside its limits. */
function foundBy(step: Step, payload: Done['payload']): Found {
  const answer = payload.answers
    ? payload.answers.map((a) => `${a.row}: ${a.answer}`).join('; ')
    : (payload.answer ?? null);
  const given =
    payload.answers?.map((a) => a.answer) ?? (payload.answer === undefined ? [] : [payload.answer]);
  const thens = given.flatMap((g) => step.answers?.find((a) => a.text === g)?.then ?? []);
  const gravest = CONSEQUENCES.findLast((c) => thens.includes(c)) ?? null;
  const bad =
    !withinLimits(step, payload.measurements ?? []) ||
    (step.measure !== undefined &&
      payload.measured !== undefined &&
      judgedFor(step, payload.measured).verdict !== 'pass');
  return {
    answer,
    then: bad ? 'look' : gravest,
    pending: payload.pendingLead === true,
    deferTo: payload.deferTo ?? null,
  };
}

/** What was found undoes work: everything from that stage on, this step with it, is done again. */
function backTo(sheet: Sheet, p: Progress, step: Step, event: Done): Progress {
  const to = step.ifNot === undefined ? -1 : stageIndex(sheet, step.ifNot);
  if (to < 0) return p;
  const back = goBack(sheet, p, Math.min(to, p.stage), timeOf(event));
  return { ...back, steps: without(back.steps, step.id) };
}

/**
 * Raw readings against the sheet's own limits, whatever limits came along with them.
 * @throws AppError MEASUREMENTS_NEEDED where too little was measured
 */
export function judgedFor(step: Step, measured: NonNullable<Done['payload']['measured']>): Judged {
  const { limits, unit } = step.measure ?? { limits: {}, unit: measured.unit };
  const own = Object.fromEntries(
    Object.entries(limits).map(([key, value]) => [key, convert({ value, unit }, measured.unit)]),
  );
  return judgeMeasured({ ...measured, limits: own });
}

/** Every row inside its limits, ends included; compared in the unit of the limit. */
export function withinLimits(
  step: Step,
  measurements: NonNullable<Done['payload']['measurements']>,
): boolean {
  const { min, max } = step.limits ?? {};
  return measurements.every(
    ({ value }) =>
      (!min || convert(value, min.unit) >= min.value - 1e-9) &&
      (!max || convert(value, max.unit) <= max.value + 1e-9),
  );
}

const marked = (p: Progress, seats: readonly string[]): Progress =>
  withSeats(p, (s) => (seats.includes(s.seat) ? { ...s, marked: true } : s));

/** Those that moved: at torque asked again, after an angle lost until read or replaced. */
function lookedAt(sheet: Sheet, p: Progress, event: Done): Progress {
  const moved = event.payload.moved ?? [];
  const after = moved.reduce<Progress>(
    (at, fastener) => {
      const seat = seatOf(at, fastener);
      if (lifeOf(fastener) !== seat.life) return at;
      return hasTurned(seat)
        ? withSeat(at, { ...slackened(sheet, seat), failed: 'angleLost' })
        : eased(sheet, { ...at, disturbed: true }, seat);
    },
    { ...p, neighbours: [] },
  );
  return advance(sheet, after, timeOf(event));
}

/**
 * A rung of the ladder: one that did not work leads to the next one; one that did, or a stop, ends
 * it.
 */
function climbed(sheet: Sheet, p: Progress, event: Done): Progress {
  const seat = Object.values(p.seats).find((s) => s.failed !== null);
  if (!seat?.failed) return p;
  const next =
    event.payload.answer === 'didNot'
      ? (p.ladder[seat.seat] ?? 0) + 1
      : rungsOf(sheet, seat.failed).length;
  return { ...p, ladder: { ...p.ladder, [seat.seat]: next } };
}
