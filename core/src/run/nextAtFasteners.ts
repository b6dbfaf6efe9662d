import {
  type Sheet,
  type Stage,
  isOwedByPosition,
  stageAt,
  orderOf,
  isAnyOrder,
} from '../procedure';
import type { Quantity } from '../quantity';
import { type Next, type Reason, type PullNext } from './due';
import { mustTurn } from './judgePull';
import {
  openInPass,
  isOneTimeUse,
  owedStage,
  fastenerId,
  participants,
  fastenerIn,
  seatIdOf,
} from './seats';
import type { Progress, SeatProgress, Tool, Outcome, AnyHold } from './state';
import { taskOf, type Task, isMeasured } from './task';
import { toolFor, methodsFor, settingOf, isSet } from './tools';

export function atFasteners(sheet: Sheet, p: Progress, stage: Stage): Next {
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
export function fit(sheet: Sheet, unfitted: readonly SeatProgress[]): Next {
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
export function workOn(
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

export function fastenerOf(p: Progress, hold: AnyHold): string | null {
  if (hold.kind === 'failed') return fastenerIn(p, hold.seat);
  if (hold.kind === 'claim') return hold.claim.fastener;
  if (hold.kind === 'refused')
    return hold.deviation.fastener && fastenerIn(p, seatIdOf(hold.deviation.fastener));
  return 'fastener' in hold ? hold.fastener : null;
}

export function swap(
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
