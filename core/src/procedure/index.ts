export {
  AfterSchema,
  ClockSchema,
  GroupSchema,
  HEADS,
  REUSE,
  SHEET_VERSION,
  SheetPartSchema,
  SheetSchema,
  TELL_APART,
  type After,
  type Clock,
  type Group,
  type Seat,
  type Sheet,
  type SheetPage,
  type SheetPart,
} from './sheet';
export {
  CONSEQUENCES,
  COMPOUND_KINDS,
  COMPOUND_PLACES,
  PHASES,
  STEP_KINDS,
  StepSchema,
  type Compound,
  type Step,
} from './step';
export {
  ACTIONS,
  ORDERS,
  PURPOSES,
  StageSchema,
  type Action,
  type Order,
  type Part,
  type Repeat,
  type Stage,
  type Target,
} from './stage';
export {
  actsOf,
  anglesOf,
  entersYield,
  groupOf,
  groupOfSeat,
  isAnyOrder,
  isByFastener,
  isOn,
  isOwedByPosition,
  isSettling,
  orderOf,
  seatsNamed,
  seatsOf,
  stageAt,
  stageIndex,
} from './stageFacts';
export { readyChecks, type ReadyCheck } from './readyChecks';
export { PROCEDURE, TAKE_APART } from './parts';
export { sheetForPart } from './runParts';
export { readSheet } from './migrateSheet';
export { assertRunnable } from './assertRunnable';
export { totalsOf, type Total } from './totals';
export {
  checkSheet,
  errorsOf,
  FINDING_CODES,
  finalTorques,
  purposeOf,
  yieldTorqueNm,
  type Finding,
  type FindingCode,
  type FindingLevel,
} from './checks';
export { differences } from './differences';
export { type Difference } from './lastValues';
export {
  lineOf,
  parseLine,
  printLine,
  withLine,
  type AsLine,
  type Line,
  type LineStage,
  type Parsed,
  type Problem,
} from './shorthand';
export { preloadAfterTurn } from './usedOnce';
export {
  compoundText,
  dueWords,
  fastenerName,
  JOINT_KIND_IDS,
  jointKindText,
  nounOf,
  nounText,
  compoundKindText,
  compoundPlaceText,
  repeatWords,
  stageHead,
  stageKindText,
  stageMore,
  stepMore,
  REUSE_TEXT,
  stageWords,
  threadText,
} from './words';
export { clampBoltOf, tighteningOf, usedOnce, type UsedOnce } from './usedOnce';
export { DEFAULT_SEATED, DEFAULT_SETTLED } from './settlingDefault';
