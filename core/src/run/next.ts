import {
  actsOf,
  isByFastener,
  isOwedByPosition,
  orderOf,
  stageAt,
  stageIndex,
  TAKE_APART,
  type Sheet,
  type Stage,
  type Step,
} from '../procedure';
import { waitingFor } from './clocks';
import { uncovered } from './coverage';
import { openHold, restartOf, waysOf } from './hold';
import {
  fastenerId,
  fastenerIn,
  hasTurned,
  idsNamed,
  owedStage,
  seatBehind,
  seatIdOf,
  swapDue,
} from './seats';
import type { AnyHold, Progress, RunState, SeatProgress } from './state';
import { dueSteps, placeOf, together } from './steps';
import { valueToChoose } from './tools';
import { type Next } from './due';
import { workOn, atFasteners, fit, swap, fastenerOf } from './nextAtFasteners';

const worked = new WeakMap<RunState, Next>();

/** Exactly one thing to do, with its reason. A state is never changed: worked out once for each. */
export function next(state: RunState): Next {
  const known = worked.get(state);
  if (known) return known;
  const due = workOut(state);
  worked.set(state, due);
  return due;
}

function workOut(state: RunState): Next {
  const { sheet, progress: p } = state;
  if (state.status === 'notStarted') return { kind: 'start', reason: 'begin' };
  if (state.status === 'finished') return { kind: 'done', reason: 'recorded' };
  if (state.status === 'paused') return { kind: 'resume', reason: 'paused' };
  if (p.toReconcile.length > 0) return reconcile(sheet, p);
  const hold = openHold(sheet, p);
  if (hold) return heldUp(sheet, p, hold, state.part);
  if (p.toSlacken.length > 0)
    return {
      kind: 'slacken',
      reason: 'stillClamped',
      fasteners: p.toSlacken,
      stage: stageAt(sheet, Math.min(p.stage, sheet.stages.length - 1)),
    };
  const choose = valueToChoose(sheet, p);
  if (choose) return { kind: 'chooseValue', reason: 'rangePublished', ...choose };
  const due = dueSteps(sheet, p, state.instance);
  const old = swapDue(sheet, p);
  // What a trial was for is read and taken away before new ones go in.
  const [first] = due;
  if (old && first && placeOf(sheet, first) < p.stage && isTrialOver(sheet, p))
    return atStep(sheet, p, first, due);
  if (old) return swap(sheet, old, old.usedUp === 'work' ? 'usedUp' : 'trialOver');
  const behind = seatBehind(sheet, p) ?? coveredBy(sheet, p, due[0]);
  // What keeps the joint from turning goes in again before one that joins late is tightened.
  const lock = behind && due.find((s) => s.putsIn !== undefined && placeOf(sheet, s) < p.stage);
  if (lock) return atStep(sheet, p, lock, [lock]);
  if (behind)
    return workOn(
      sheet,
      p,
      behind,
      owedStage(sheet, behind),
      behind.lagAt === null ? 'replacementCatchesUp' : 'lagsBehind',
    );
  if (p.neighbours.length > 0) return lookAtNeighbours(sheet, p);
  const [step] = due;
  if (step) return atStep(sheet, p, step, due);
  if (p.stage < sheet.stages.length) return atStage(sheet, p);
  const loose = state.part === TAKE_APART ? comeOut(sheet, p) : [];
  if (loose.length > 0) return { kind: 'bag', reason: 'whereTheyGo', fasteners: loose };
  const [open] = uncovered(state);
  return open
    ? heldUp(sheet, p, { kind: 'notCovered', ...open }, state.part)
    : { kind: 'finish', reason: 'allDone' };
}

/** The stages before were a trial, and what comes next counts. */
const isTrialOver = (sheet: Sheet, p: Progress): boolean => {
  const before = sheet.stages[p.stage - 1];
  const now = sheet.stages[p.stage];
  return before?.trial === true && now !== undefined && !isOwedByPosition(now);
};

/** Taken out, and no one has said yet where they are kept. */
function comeOut(sheet: Sheet, p: Progress): string[] {
  const free = sheet.stages.flatMap((stage, i) =>
    actsOf(stage).some((a) => a.action === 'loosen' && a.loosen === 'free')
      ? orderOf(sheet, i)
      : [],
  );
  return [...new Set(free)]
    .filter((id) => !p.bags[id] && !p.seats[id]?.leftOut)
    .map((id) => fastenerIn(p, id));
}

function reconcile(sheet: Sheet, p: Progress): Next {
  const believedTurned = p.toReconcile.filter((f) => p.inPass[seatIdOf(f)]);
  return {
    kind: 'reconcile',
    reason: 'tookOver',
    fasteners: p.toReconcile,
    stage: stageAt(sheet, p.stage),
    pass: p.pass,
    believedTurned,
  };
}

function heldUp(sheet: Sheet, p: Progress, hold: AnyHold, part: string): Next {
  const fastener = fastenerOf(p, hold);
  const seat = fastener ? p.seats[seatIdOf(fastener)] : undefined;
  const owed = seat ? Math.min(p.stage, owedStage(sheet, seat)) : p.stage;
  const index = 'stage' in hold ? stageIndex(sheet, hold.stage) : owed;
  const stage = stageAt(sheet, Math.min(Math.max(index, 0), sheet.stages.length - 1));
  const replacement = seat ? fastenerId(seat.seat, seat.life + 1) : null;
  return {
    kind: 'hold',
    reason: 'held',
    hold,
    ways: waysOf(sheet, p, hold, part),
    fastener,
    replacement,
    stage,
    restart: restartOf(sheet, hold),
  };
}

/** One that lags and would be out of reach after this step is asked before it. */
function coveredBy(sheet: Sheet, p: Progress, step: Step | undefined): SeatProgress | undefined {
  const covered = new Set(idsNamed(sheet, step?.covers));
  return Object.values(p.seats).find((s) => covered.has(s.seat) && owedStage(sheet, s) < p.stage);
}

function lookAtNeighbours(sheet: Sheet, p: Progress): Next {
  const hasAngle = p.neighbours.some((id) => p.seats[id] && hasTurned(p.seats[id]));
  return {
    kind: 'neighbours',
    reason: 'nextToReplaced',
    fasteners: p.neighbours.map((id) => fastenerIn(p, id)),
    by: hasAngle ? 'stripe' : 'click',
  };
}

function atStep(sheet: Sheet, p: Progress, step: Step, due: readonly Step[]): Next {
  const clock = waitingFor(sheet, p, { step: step.id });
  if (clock) return { kind: 'waitClock', reason: 'clockRuns', running: clock };
  return {
    kind: 'step',
    reason: p.steps[step.id]?.then ? 'consequence' : 'stepDue',
    step,
    also: together(sheet, due),
  };
}

function atStage(sheet: Sheet, p: Progress): Next {
  const stage = stageAt(sheet, p.stage);
  const clock = waitingFor(sheet, p, { stage: stage.id });
  if (clock) return { kind: 'waitClock', reason: 'clockRuns', running: clock };
  if (isByFastener(stage)) return atFasteners(sheet, p, stage);
  switch (stage.action) {
    case 'wait':
      return { kind: 'wait', reason: 'waitOver', stage, until: waitEnds(stage, p.since) };
    case 'turnCrank':
      return { kind: 'turnCrank', reason: 'crankBetween', stage };
    case 'do':
      return atNamedStep(sheet, p, stage);
    case 'hold':
      return heldUp(sheet, p, { kind: 'named', stage: stage.id, failed: false }, '');
    default: {
      const order = orderOf(sheet, p.stage).filter((id) => !p.seats[id]?.leftOut);
      const unfitted = order
        .flatMap((id) => (p.seats[id]?.fitted ? [] : [p.seats[id]]))
        .filter((s): s is SeatProgress => s !== undefined);
      if (unfitted.length > 0) return fit(sheet, unfitted);
      return {
        kind: 'round',
        reason: 'roundByRound',
        stage,
        stageIndex: p.stage,
        round: p.round,
        fasteners: order.map((id) => fastenerIn(p, id)),
      };
    }
  }
}

function atNamedStep(sheet: Sheet, p: Progress, stage: Stage): Next {
  const step = sheet.steps.find((s) => s.id === stage.step);
  if (!step) throw new Error(`stage ${stage.id} names no step`);
  const clock = waitingFor(sheet, p, { step: step.id });
  if (clock) return { kind: 'waitClock', reason: 'clockRuns', running: clock };
  return {
    kind: 'step',
    reason: p.steps[step.id]?.then ? 'consequence' : 'betweenStages',
    step,
    also: [],
  };
}

/** The wait by minutes that is due, from when to when; null: none is. */
export function waitIn(due: Next): { from: string; until: string } | null {
  if (due.kind === 'waitClock') return { from: due.running.startedAt, until: due.running.limitAt };
  if (due.kind !== 'wait' || due.until === null) return null;
  const minutes =
    due.stage.waitUntil && 'minutes' in due.stage.waitUntil ? due.stage.waitUntil.minutes : 0;
  return {
    from: new Date(Date.parse(due.until) - minutes * 60_000).toISOString(),
    until: due.until,
  };
}

/** When a wait by minutes is over; a wait for a temperature ends with a reading. */
export function waitEnds(stage: Stage, since: string | null): string | null {
  const until = stage.waitUntil;
  return until && 'minutes' in until && since
    ? new Date(Date.parse(since) + until.minutes * 60_000).toISOString()
    : null;
}
