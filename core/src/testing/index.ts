export { demoSheet, demoSheets, headSheet, intakeSheet } from './demoSheets';
export { atStage, holdDue, methodsDue, pullDue, refusal } from './refusal';
export { perform } from './clumsy';
export { buildSheet } from './sheetPlans';
export {
  answerTo,
  PLACE,
  Technician,
  testId,
  WRENCHES,
  type LeadSays,
  type Place,
  type Said,
} from '../rehearse';
export { moveArbitrary, type Move } from './moves';
export { planArbitrary, type SheetPlan } from './sheetParts';
export { missedBy, practiceBy, PUPIL, type Pupil } from './pupil';
