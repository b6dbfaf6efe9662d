import { type Sheet, type Step } from '../procedure';
import { convert } from '../quantity';
import { advance, closeStage, withSeat, withSeats } from './advance';
import { noted } from './deviation';
import type { EventOf } from './events';
import { eased, timeOf } from './foldPull';
import { slackened } from './goBack';
import { hasTurned, idsNamed, lifeOf, seatIdOf, seatOf } from './seats';
import type { Progress, StepAnswer } from './state';

/** Asked by the machine itself, not by a step of the sheet. */
export const MARK = 'mark';
export const NEIGHBOURS = 'neighbours';

type Done = EventOf<'stepDone'>;

export function foldStep(sheet: Sheet, p: Progress, event: Done): Progress {
  const { payload } = event;
  if (payload.step === MARK && !sheet.steps.some((s) => s.id === MARK)) return marked(p, payload.fasteners?.map(seatIdOf) ?? []);
  if (payload.step === NEIGHBOURS) return lookedAt(sheet, p, event);
  const stage = sheet.stages[p.stage];
  if (stage?.action === 'turnCrank' && payload.step === stage.id) return advance(sheet, closeStage(sheet, p, timeOf(event)), timeOf(event));
  const rung = sheet.steps.find((s) => s.id === payload.step && s.due.when === 'atFailure');
  if (rung) return climbed(p, event);
  const after = [payload.step, ...(payload.also ?? [])].reduce<Progress>((at, id) => answered(sheet, at, event, id), p);
  if (stage?.action === 'do' && stage.step === payload.step && after.steps[payload.step]?.settled) return advance(sheet, closeStage(sheet, after, timeOf(event)), timeOf(event));
  return after;
}

function answered(sheet: Sheet, p: Progress, event: Done, id: string): Progress {
  const step = sheet.steps.find((s) => s.id === id);
  if (!step) return p;
  const { payload } = event;
  const isMain = id === payload.step;
  const then = isMain ? (step.answers?.find((a) => a.text === payload.answer)?.then ?? null) : null;
  const bad = isMain && !withinLimits(step, payload.measurements ?? []);
  const pending = isMain && payload.pendingLead === true;
  const answer: StepAnswer = {
    settled: !(isMain && payload.deferTo) && (pending || ((then === null || then === 'goOn') && !bad)),
    answer: isMain ? (payload.answer ?? null) : null,
    then: bad ? 'look' : then,
    deferredTo: isMain ? (payload.deferTo ?? null) : null,
  };
  const kept: Progress = { ...p, steps: { ...p.steps, [id]: answer } };
  if (!answer.settled) return kept;
  const timed = { ...kept, times: { ...kept.times, [`step:${id}`]: timeOf(event) } };
  const named = pending ? noted(timed, event, 'outOfLimits', { stage: id }) : timed;
  return step.kind === 'mark' ? marked(named, step.on ? idsNamed(sheet, step.on) : Object.keys(p.seats)) : named;
}

/** Every row inside its limits, ends included; compared in the unit of the limit. */
export function withinLimits(step: Step, measurements: NonNullable<Done['payload']['measurements']>): boolean {
  const { min, max } = step.limits ?? {};
  return measurements.every(({ value }) => (!min || convert(value, min.unit) >= min.value - 1e-9) && (!max || convert(value, max.unit) <= max.value + 1e-9));
}

const marked = (p: Progress, seats: readonly string[]): Progress => withSeats(p, (s) => (seats.includes(s.seat) ? { ...s, marked: true } : s));

/** Those that moved: at torque asked again, after an angle lost until read or replaced. */
function lookedAt(sheet: Sheet, p: Progress, event: Done): Progress {
  const moved = event.payload.moved ?? [];
  const after = moved.reduce<Progress>(
    (at, fastener) => {
      const seat = seatOf(at, fastener);
      if (lifeOf(fastener) !== seat.life) return at;
      return hasTurned(seat) ? withSeat(at, { ...slackened(sheet, seat), failed: 'angleLost' }) : eased(sheet, { ...at, disturbed: true }, seat);
    },
    { ...p, neighbours: [] },
  );
  return advance(sheet, after, timeOf(event));
}

/** A rung of the ladder: one that did not work leads to the next one. */
function climbed(p: Progress, event: Done): Progress {
  const seat = Object.values(p.seats).find((s) => s.failed !== null);
  if (!seat || event.payload.answer === 'worked') return p;
  return { ...p, ladder: { ...p.ladder, [seat.seat]: event.payload.answer === 'stop' ? 99 : (p.ladder[seat.seat] ?? 0) + 1 } };
}
