export {
  EVENT_TYPES,
  RunEventSchema,
  type Envelope,
  type EventOf,
  type EventType,
  type PayloadOf,
  type RunEvent,
} from './events';
export { StatementSchema, LEADS_WORD, type Claim, type Statement } from './statement';
export {
  DEVIATIONS,
  type AnyHold,
  type Counted,
  type Deviation,
  type DeviationKind,
  type FailureKind,
  type Method,
  type OpenHold,
  type Outcome,
  type PassMark,
  type Progress,
  type RunState,
  type SeatProgress,
  type Tool,
  type Verdict,
} from './state';
export { Log } from './log';
export { admit } from './admit';
export { evolve, initialState, progressBefore, replay } from './evolve';
export { next, waitIn } from './next';
export { explain } from './explain';
export { isRefusedOpen } from './deviation';
export { isBroken, WAYS, type Way } from './hold';
export { isRung, rungText, rungsOf, type Rung } from './ladder';
export { judgedFor, withinLimits } from './foldStep';
export { clocks, type RunningClock } from './clocks';
export { knownAt, type KnownAt } from './heardAt';
export { methodsFor, settingOf, toolFor } from './tools';
export { targetOf, taskNamed, taskOf, isTorque, type Task } from './task';
export {
  fastenerId,
  hasTurned,
  lifeOf,
  neighboursOf,
  openTogether,
  owedStage,
  seatIdOf,
  stripeBefore,
} from './seats';
export { uncovered, type Uncovered } from './coverage';
export { type TooMuch } from './tooMuch';
export { timeOf } from './foldPull';
export { judge, windowOf, DEFAULT_TOLERANCE } from './judge';
export { undoable } from './undoable';
export { CORE_VERSION } from './version';
export { nextInSitting, sittings, type SittingNext } from './sitting';
export { FAILURES, METHODS, OUTCOMES, VERDICTS } from './eventWords';
export type { Next, PullNext, Reason } from './due';
export { judgedCorrection, judgedPull } from './enterPull';
export { judgePull, readingOn, tooMuchOf } from './judgePull';
export { pullsTogether } from './foldPass';
