import { convert, type Quantity } from '../quantity';
import type { DeviationKind, Outcome, Verdict } from './state';
import { targetOf, type Task } from './task';

/**
 * Where a sheet gives no tolerance: share of a torque or stretch, degrees of an angle. Defined
 * here.
 */
export const DEFAULT_TOLERANCE = { share: 0.05, angleDeg: 5 } as const;
const EQUAL = 1e-9;

export interface Judgement {
  verdict: Verdict;
  /** The fastener needs no further pull in this pass. */
  satisfied: boolean;
  moved: boolean;
  deviation: Extract<DeviationKind, 'stoppedShort' | 'above'> | null;
  /** So far above that the lead's approval alone does not do: slacken and redo, or replace. */
  far: boolean;
  /** The floor was not reached: hold, do not turn on. */
  belowFloor: boolean;
  /** Angle tasks: turned in this stage so far, this pull included; null when no one knows. */
  turnedDeg: number | null;
}

export interface Said {
  outcome: Outcome;
  reading?: Quantity | undefined;
  turnDeg?: number | undefined;
  /** Past what the fastener or the wrench is made for: it stops the run, whatever the window. */
  isTooMuch?: boolean | undefined;
}

export interface Before {
  /** Turned in this stage by earlier pulls. */
  turnedDeg: number;
  /** Nothing was pulled on this fastener yet, and it must turn. */
  untouched: boolean;
  /**
   * It had its angle already: whatever comes on top is too far, whether a tolerance is published or
   * not.
   */
  hadAngle: boolean;
}

export interface Window {
  low: number;
  high: number;
  /** false: the shop's own window. */
  published: boolean;
}

/** The window of a task, closed at both ends, in the unit that the target was published in. */
export function windowOf(task: Task): Window {
  const { value } = targetOf(task);
  const spare =
    task.action === 'angle' ? DEFAULT_TOLERANCE.angleDeg : value * DEFAULT_TOLERANCE.share;
  const { plus, minus } = task.tolerance ?? { plus: spare, minus: spare };
  return {
    low: value - minus - EQUAL,
    high: value + plus + EQUAL,
    published: task.tolerance !== null,
  };
}

const plain = {
  moved: false,
  deviation: null,
  far: false,
  belowFloor: false,
  turnedDeg: null,
} as const;
const short = { ...plain, verdict: 'short', satisfied: true, deviation: 'stoppedShort' } as const;

/**
 * What a pull means. A click says that the target was reached and is never a measured number; an
 * angle is judged by all that the fastener turned in this stage.
 */
export function judge(task: Task, before: Before, said: Said): Judgement {
  if (task.action === 'angle') return judgeAngle(task, before, said);
  if (said.outcome === 'stoppedShort') return short;
  if (task.stage.finalTorque && task.action === 'check') return judgeFloor(said);
  if (task.action === 'torque' || task.action === 'check' || task.action === 'stretch')
    return judgeValue(task, before, said);
  return { ...plain, verdict: 'inTolerance', satisfied: true };
}

function judgeFloor(said: Said): Judgement {
  const reached = said.outcome !== 'noClick';
  return {
    ...plain,
    verdict: reached ? 'inTolerance' : 'below',
    satisfied: reached,
    belowFloor: !reached,
  };
}

function judgeValue(task: Task, before: Before, said: Said): Judgement {
  const moved = movement(task, said);
  if (said.reading) {
    const target = targetOf(task);
    const read = convert(said.reading, target.unit);
    const { low, high, published } = windowOf(task);
    if (read < low) return { ...plain, verdict: 'below', satisfied: false };
    if (read > high) {
      const far = said.isTooMuch === true || (published && read > high + (high - target.value));
      return { ...plain, verdict: 'above', satisfied: true, moved, deviation: 'above', far };
    }
  }
  if (!task.settling) {
    const still = said.outcome === 'heldStill';
    return {
      ...plain,
      verdict: still ? (before.untouched ? 'suspicious' : 'still') : 'inTolerance',
      satisfied: true,
    };
  }
  if (moved) return { ...plain, verdict: 'moved', satisfied: true, moved };
  return { ...plain, verdict: before.untouched ? 'suspicious' : 'still', satisfied: true };
}

/**
 * Moved in this pull: measured against the limit, else as said. A plain click says nothing about
 * it: go round again.
 */
function movement(task: Task, said: Said): boolean {
  if (!task.settling) return false;
  const { repeat } = task.stage;
  if (said.turnDeg !== undefined && repeat?.kind === 'untilSettled')
    return said.turnDeg > repeat.movedMoreThanDeg + EQUAL;
  return said.outcome !== 'heldStill';
}

function judgeAngle(task: Task, before: Before, said: Said): Judgement {
  const target = targetOf(task).value;
  if (said.outcome === 'stoppedShort')
    return { ...short, turnedDeg: said.reading ? before.turnedDeg + said.reading.value : null };
  const turnedDeg = said.reading
    ? before.turnedDeg + said.reading.value
    : before.hadAngle
      ? before.turnedDeg + target
      : target;
  const { low, high, published } = windowOf(task);
  if (turnedDeg < low) return { ...plain, verdict: 'below', satisfied: false, turnedDeg };
  if (turnedDeg <= high) return { ...plain, verdict: 'inTolerance', satisfied: true, turnedDeg };
  const far =
    before.hadAngle || said.isTooMuch === true || (published && turnedDeg > high + (high - target));
  return { ...plain, verdict: 'above', satisfied: true, deviation: 'above', far, turnedDeg };
}
