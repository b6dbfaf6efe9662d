import type { Sheet } from '../procedure';
import type { Quantity, Wrench } from '../quantity';
import type { RunEvent } from './events';
import type { FAILURES, FITTED, METHODS, OUTCOMES, VERDICTS } from './eventWords';
import type { Log } from './log';
import type { Claim } from './statement';

export type Method = (typeof METHODS)[number];
export type Outcome = (typeof OUTCOMES)[number];
export type Verdict = (typeof VERDICTS)[number];
export type FailureKind = (typeof FAILURES)[number];
export type FittedCondition = (typeof FITTED)[number];
/** Something of each, by its name. */
type ById<T> = Readonly<Record<string, T>>;

export interface Tool {
  method: Method;
  wrench: Wrench | null;
}

/** The fastener now in a seat, and how far it has come. */
export interface SeatProgress {
  seat: string;
  life: number;
  /** asLeft: tight from an earlier run that this one goes on from. */
  fitted: FittedCondition | 'asLeft' | null;
  /** Stages that this fastener, or its position where that is what counts, has behind it. */
  done: ById<true>;
  /**
   * Turned in angle stages (by stage, or stage.part), in degrees; null where a stop short was not
   * measured.
   */
  turnedDeg: ById<number | null>;
  /** Parts of an `each` stage that are done on it. */
  parts: number;
  marked: boolean;
  /** What it had turned when its stripe was painted. */
  stripeFrom: number;
  failed: FailureKind | null;
  /** Pass of a fastener that goes through earlier stages on its own. */
  catchUpPass: number;
  /** Taken past yield. */
  yielded: boolean;
  /**
   * Used once and used up, and by what: a new one must come in before anything else happens here.
   */
  usedUp: 'trial' | 'work' | null;
  /** Set aside in this pass: asked again last; twice: left for the pass. */
  aside: 0 | 1 | 2;
  /** Left open at a stage that may lag: the stage at which it was last put off. */
  lagAt: number | null;
  /** The lead left it out, in writing. */
  leftOut: boolean;
}

export interface PassMark {
  moved: boolean;
}

export const DEVIATIONS = [
  'stoppedShort',
  'above',
  'notSettled',
  'notSeated',
  'replaced',
  'leftOut',
  'angleStands',
  'added',
  'holdPending',
  'belowFloor',
  'calibration',
  'outOfLimits',
  'stepAbandoned',
  'reused',
  'byFeel',
  'claimDone',
  'redone',
  'overran',
  'holdFailed',
  'notCovered',
] as const;
export type DeviationKind = (typeof DEVIATIONS)[number];

export interface Deviation {
  kind: DeviationKind;
  fastener: string | null;
  stage: string;
  event: string;
  person: string;
  needsLead: boolean;
  /** What the lead said of it. */
  decision: 'allow' | 'refuse' | null;
  /** What the lead refused has been corrected. */
  resolved: boolean;
  /** For a wrench out of calibration: which. */
  wrench?: string;
}

/**
 * What stops a run until it is answered. Failures and claims stand with their fasteners, not here.
 */
export type OpenHold =
  | { kind: 'notSettled'; stage: string; moved: readonly string[] }
  | { kind: 'notSeated'; stage: string; notSeated: readonly string[] }
  | { kind: 'named'; stage: string; failed: boolean }
  | { kind: 'above'; fastener: string; stage: string; beyondYield: boolean }
  | { kind: 'belowFloor'; fastener: string; stage: string }
  | { kind: 'replaced'; fastener: string; stage: string }
  | { kind: 'notCovered'; fastener: string; stage: string };

export type AnyHold =
  | OpenHold
  | { kind: 'refused'; deviation: Deviation }
  | { kind: 'failed'; seat: string; failure: FailureKind; rung: string | null }
  | { kind: 'claim'; claim: Claim };

/** How a step was answered; it stays due unless the answer lets the work go on. */
export interface StepAnswer {
  settled: boolean;
  answer: string | null;
  then: string | null;
  deferredTo: string | null;
}

/** All that follows from the confirmations that count: derived, never stored. */
export interface Progress {
  stage: number;
  pass: number;
  /** Passes that count towards the most allowed: those that no one was set aside in. */
  countedPasses: number;
  /** Something was swapped or eased in this pass: it cannot be a quiet one. */
  disturbed: boolean;
  round: number;
  seats: ById<SeatProgress>;
  inPass: ById<PassMark>;
  lastPass: ById<PassMark>;
  tools: ById<Tool>;
  /** What the scale of each wrench was last set to; an angle's gauge is confirmed once by stage. */
  settings: ById<Quantity>;
  values: ById<Quantity>;
  steps: ById<StepAnswer>;
  /**
   * When steps and stages were done, as the device said: `step:x`, `stage:y`. Clocks start and end
   * by them.
   */
  times: ById<string>;
  /** When the present stage came due. */
  since: string | null;
  waited: ById<true>;
  deviations: readonly Deviation[];
  hold: OpenHold | null;
  claims: readonly Claim[];
  /** What the lead allowed beforehand: `reuse:group`, `wrench:id`, `compound:step`. */
  allowed: ById<string>;
  /** Fasteners next to a replaced one, to be looked at once it has joined. */
  neighbours: readonly string[];
  /** Where each fastener that came out is kept, by seat. */
  bags: ById<string>;
  /** Rungs of a failure's ladder that did not work, by seat. */
  ladder: ById<number>;
  /** Still clamped from what is done again: slackened first, in this order. */
  toSlacken: readonly string[];
  /** Fasteners a new holder has to look at before anything else. */
  toReconcile: readonly string[];
}

export interface Holder {
  hold: number;
  device: string;
  person: string;
}

/** A confirmation that counts, and what the run had come to before it. */
export interface Counted {
  event: RunEvent;
  before: Progress;
}

export interface RunState {
  /** The part of the sheet that this run leads, as a sheet of its own. */
  sheet: Sheet;
  part: string;
  instance: string | null;
  status: 'notStarted' | 'open' | 'paused' | 'finished';
  run: string | null;
  joint: string | null;
  holder: Holder | null;
  lastSeq: number;
  /** Everything that was admitted, in order: the history keeps what was undone. */
  events: Log<RunEvent>;
  /** The part of it that counts: without what was undone, with what was corrected corrected. */
  effective: Log<Counted>;
  progress: Progress;
}
