export {
  answerTo,
  PLACE,
  Technician,
  testId,
  WRENCHES,
  type LeadSays,
  type Place,
  type Said,
} from './technician';
export { demoSheet, demoSheets, headSheet, intakeSheet } from './demoSheets';
export { atStage, holdDue, methodsDue, pullDue, refusal } from './refusal';
export { moveArbitrary, perform, type Move } from './clumsy';
export { buildSheet, planArbitrary, type SheetPlan } from './sheetPlans';
