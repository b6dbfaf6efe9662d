export { PracticeJoint, type BoltCurve, type Creep, type JointedBolt } from './practiceJoint';
export { STEPS_PER_DEG, WrenchHand, type Feel, type HandTool } from './wrenchHand';
export { PRACTICE_SHEETS, type PracticeSheet } from './practiceSheets';
export { sheetJoint, type Faults, type SheetJoint } from './sheetJoint';
export { isForHand, PracticeBench, type PracticeSetup, type RealPull } from './practiceBench';
export {
  CRITERIA,
  EXERCISES,
  exercises,
  setupOf,
  type Criterion,
  type Exercise,
  type ExerciseId,
} from './exercises';
export {
  isPracticeId,
  practiceIdFrom,
  PracticeLogSchema,
  type PracticeEntry,
  type PracticeLog,
} from './practiceLog';
export {
  beginPractice,
  COLLEAGUE,
  perfectRun,
  playPractice,
  practiceStart,
  PRACTICE_JOINT,
  setupFor,
  type Practicing,
} from './playPractice';
export { practiceText } from './words';
export {
  judgePractice,
  type HiddenFault,
  type Judged,
  type PracticedBolt,
  type PracticeResult,
} from './judgePractice';
