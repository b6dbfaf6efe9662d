import {
  actsOf,
  isAnyOrder,
  isByFastener,
  isOwedByPosition,
  orderOf,
  stageAt,
  stageIndex,
  TAKE_APART,
  type Part,
  type Sheet,
  type Stage,
  type Step,
} from '../procedure';
import type { Quantity } from '../quantity';
import { waitingFor, type RunningClock } from './clocks';
import { mustTurn } from './foldPull';
import { uncovered } from './coverage';
import { openHold, restartOf, waysOf, type Way } from './hold';
import {
  fastenerId,
  fastenerIn,
  hasTurned,
  idsNamed,
  isOneTimeUse,
  openInPass,
  owedStage,
  participants,
  seatBehind,
  seatIdOf,
  swapDue,
} from './seats';
import type { AnyHold, Method, Outcome, Progress, RunState, SeatProgress, Tool } from './state';
import { dueSteps, placeOf, together } from './steps';
import { isMeasured, taskOf, type Task } from './task';
import { isSet, methodsFor, settingOf, toolFor, valueToChoose } from './tools';

/** Why this comes next; `explain` says it in words. */
export type Reason =
  | 'begin'
  | 'usedOnce'
  | 'confirmFitted'
  | 'newStage'
  | 'firstRound'
  | 'moved'
  | 'confirmSettled'
  | 'inOrder'
  | 'anyOrder'
  | 'angleNotReached'
  | 'replacementCatchesUp'
  | 'lagsBehind'
  | 'asideLast'
  | 'nextPart'
  | 'stripeBeforeAngle'
  | 'nextToReplaced'
  | 'usedUp'
  | 'trialOver'
  | 'swapStage'
  | 'rangePublished'
  | 'stillClamped'
  | 'stepDue'
  | 'consequence'
  | 'betweenStages'
  | 'roundByRound'
  | 'waitOver'
  | 'clockRuns'
  | 'crankBetween'
  | 'held'
  | 'tookOver'
  | 'paused'
  | 'whereTheyGo'
  | 'allDone'
  | 'recorded';

export interface PullNext {
  kind: 'pull';
  reason: Reason;
  fastener: string;
  seat: string;
  stage: Stage;
  stageIndex: number;
  task: Task;
  pass: number;
  /** Place of this fastener in the stage's order, from 1, and how many there are. */
  ordinal: number;
  of: number;
  /** null for what has no value: started by hand, run down, slackened. */
  target: Quantity | null;
  /** What is still to be turned or reached; for a torque what the wrench's scale must say. */
  inHand: Quantity | null;
  tool: Tool;
  outcomes: readonly Outcome[];
  /** The first torque on this fastener: it must turn, else something is wrong. */
  mustTurn: boolean;
  /** Where the order is free: those that may as well be next. */
  others: readonly string[];
}

interface AtTask {
  reason: Reason;
  stage: Stage;
  stageIndex: number;
  task: Task;
  target: Quantity;
}

export type Next =
  | { kind: 'start'; reason: 'begin' }
  | { kind: 'resume'; reason: 'paused' }
  | { kind: 'chooseValue'; reason: 'rangePublished'; stage: Stage; part: Part | null }
  | { kind: 'slacken'; reason: 'stillClamped'; fasteners: readonly string[]; stage: Stage }
  | {
      kind: 'fit';
      reason: 'usedOnce' | 'confirmFitted';
      fasteners: readonly string[];
      newOnly: boolean;
    }
  | {
      kind: 'step';
      reason: 'stepDue' | 'consequence' | 'betweenStages';
      step: Step;
      also: readonly Step[];
    }
  | {
      kind: 'neighbours';
      reason: 'nextToReplaced';
      fasteners: readonly string[];
      by: 'click' | 'stripe';
    }
  | {
      kind: 'swap';
      reason: 'usedUp' | 'trialOver' | 'swapStage';
      fastener: string;
      replacement: string;
      newOnly: boolean;
    }
  | ({ kind: 'chooseTool'; methods: readonly Method[] } & AtTask)
  | ({ kind: 'setTool'; setting: Quantity; tool: Tool } & AtTask)
  | { kind: 'mark'; reason: 'stripeBeforeAngle'; fasteners: readonly string[] }
  | PullNext
  | {
      kind: 'round';
      reason: 'roundByRound';
      stage: Stage;
      stageIndex: number;
      round: number;
      fasteners: readonly string[];
    }
  | { kind: 'wait'; reason: 'waitOver'; stage: Stage; until: string | null }
  | { kind: 'waitClock'; reason: 'clockRuns'; running: RunningClock }
  | { kind: 'turnCrank'; reason: 'crankBetween'; stage: Stage }
  | {
      kind: 'hold';
      reason: 'held';
      hold: AnyHold;
      ways: readonly Way[];
      fastener: string | null;
      replacement: string | null;
      stage: Stage;
      restart: string | null;
    }
  | {
      kind: 'reconcile';
      reason: 'tookOver';
      fasteners: readonly string[];
      stage: Stage;
      pass: number;
      believedTurned: readonly string[];
    }
  | { kind: 'bag'; reason: 'whereTheyGo'; fasteners: readonly string[] }
  | { kind: 'finish'; reason: 'allDone' }
  | { kind: 'done'; reason: 'recorded' };

/** Exactly one thing to do, with its reason. */
export function next(state: RunState): Next {
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

/** Taken out, and nobody has said yet where they are kept. */
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

function fastenerOf(p: Progress, hold: AnyHold): string | null {
  if (hold.kind === 'failed') return fastenerIn(p, hold.seat);
  if (hold.kind === 'claim') return hold.claim.fastener;
  if (hold.kind === 'refused')
    return hold.deviation.fastener && fastenerIn(p, seatIdOf(hold.deviation.fastener));
  return 'fastener' in hold ? hold.fastener : null;
}

function swap(
  sheet: Sheet,
  seat: SeatProgress,
  reason: 'usedUp' | 'trialOver' | 'swapStage',
): Next {
  const newOnly = reason !== 'swapStage' || isOneTimeUse(sheet, seat.seat);
  return {
    kind: 'swap',
    reason,
    fastener: fastenerId(seat.seat, seat.life),
    replacement: fastenerId(seat.seat, seat.life + 1),
    newOnly,
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

function atFasteners(sheet: Sheet, p: Progress, stage: Stage): Next {
  const open = openInPass(sheet, p);
  const unfitted = open.filter((s) => !s.fitted);
  if (unfitted.length > 0) return fit(sheet, unfitted);
  const seat = open.find((s) => s.aside < 2);
  if (!seat) throw new Error('a stage that is not closed has a fastener that is not done');
  if (stage.action === 'swap') return swap(sheet, seat, 'swapStage');
  return workOn(sheet, p, seat, p.stage, null);
}

/**
 * One-time-use ones must be new, unless the first thing done to them is a trial or a turn with the
 * old part.
 */
function fit(sheet: Sheet, unfitted: readonly SeatProgress[]): Next {
  const isNewOnly = (s: SeatProgress): boolean =>
    isOneTimeUse(sheet, s.seat) &&
    !isOwedByPosition(stageAt(sheet, Math.min(owedStage(sheet, s), sheet.stages.length - 1)));
  const newOnly = unfitted.some(isNewOnly);
  const wanted = unfitted.filter((s) => isNewOnly(s) === newOnly);
  return {
    kind: 'fit',
    reason: newOnly ? 'usedOnce' : 'confirmFitted',
    fasteners: wanted.map((s) => fastenerId(s.seat, s.life)),
    newOnly,
  };
}

/**
 * Tool, setting, stripe, then the pull itself. `alone`: a fastener that goes through an earlier
 * stage by itself.
 */
function workOn(
  sheet: Sheet,
  p: Progress,
  seat: SeatProgress,
  index: number,
  alone: Reason | null,
): Next {
  if (!seat.fitted) return fit(sheet, [seat]);
  const task = taskOf(sheet, p, index, seat.parts);
  if (task.action === 'swap') return swap(sheet, seat, 'swapStage');
  // One at a time where each has its torque just before: the others are turned again before their
  // own angle.
  const unmarked =
    task.action === 'angle'
      ? unmarkedOf(p, alone || task.part ? [seat.seat] : participants(sheet, p))
      : [];
  if (unmarked.length > 0)
    return { kind: 'mark', reason: 'stripeBeforeAngle', fasteners: unmarked };
  const tool = toolFor(sheet, p, task);
  const at = { reason: alone ?? 'newStage', stage: task.stage, stageIndex: index, task } as const;
  if (!tool)
    return {
      kind: 'chooseTool',
      ...at,
      target: task.target ?? { value: 0, unit: 'N.m' },
      methods: methodsFor(task),
    };
  const setting = settingOf(task, tool);
  if (setting && task.target && !isSet(p, task, tool, setting))
    return { kind: 'setTool', ...at, target: task.target, setting, tool };
  return pull(sheet, p, seat, task, tool, setting, alone);
}

const unmarkedOf = (p: Progress, seats: readonly string[]): string[] =>
  seats.flatMap((id) => (p.seats[id]?.marked ? [] : [fastenerIn(p, id)]));

function pull(
  sheet: Sheet,
  p: Progress,
  seat: SeatProgress,
  task: Task,
  tool: Tool,
  setting: Quantity | null,
  alone: Reason | null,
): PullNext {
  const order = orderOf(sheet, task.stageIndex);
  const turned = seat.turnedDeg[task.key] ?? 0;
  const isFree = !alone && isAnyOrder(sheet, task.stageIndex) && seat.parts === 0;
  return {
    kind: 'pull',
    reason: alone ?? reasonOf(p, seat, task, turned, isFree),
    fastener: fastenerId(seat.seat, seat.life),
    seat: seat.seat,
    stage: task.stage,
    stageIndex: task.stageIndex,
    task,
    pass: alone ? seat.catchUpPass : p.pass,
    ordinal: order.indexOf(seat.seat) + 1,
    of: order.length,
    target: task.target,
    inHand:
      task.action === 'angle' && task.target
        ? { value: task.target.value - turned, unit: 'deg' }
        : (setting ?? task.target),
    tool,
    outcomes: outcomesOf(task),
    mustTurn: mustTurn(sheet, p, seat, task),
    others: isFree
      ? openInPass(sheet, p).flatMap((s) =>
          s.seat === seat.seat ? [] : [fastenerId(s.seat, s.life)],
        )
      : [],
  };
}

export function outcomesOf(task: Task): readonly Outcome[] {
  if (task.action === 'check')
    return task.stage.finalTorque ? ['clicked', 'noClick'] : ['heldStill', 'turned'];
  if (task.action === 'torque') return task.settling ? ['turned', 'heldStill'] : ['clicked'];
  return isMeasured(task.action) ? ['reached'] : ['done'];
}

function reasonOf(
  p: Progress,
  seat: SeatProgress,
  task: Task,
  turned: number,
  isFree: boolean,
): Reason {
  if (turned > 0) return 'angleNotReached';
  if (seat.aside > 0) return 'asideLast';
  if (seat.parts > 0) return 'nextPart';
  if (isFree) return 'anyOrder';
  if (!task.settling) return 'inOrder';
  if (p.pass === 1) return 'firstRound';
  return Object.values(p.lastPass).some((m) => m.moved) ? 'moved' : 'confirmSettled';
}
