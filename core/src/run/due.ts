import type { Stage, Part, Step } from '../procedure';
import type { Quantity } from '../quantity';
import type { RunningClock } from './clocks';
import type { Way } from './hold';
import type { Tool, Outcome, Method, AnyHold } from './state';
import type { Task } from './task';

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
