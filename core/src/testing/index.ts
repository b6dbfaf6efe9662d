export { Technician, type Said } from './technician';
export { demoSheet, demoSheets, headSheet, intakeSheet } from './demoSheets';
export { atStage, holdDue, methodsDue, pullDue, refusal } from './refusal';
export { perform } from './clumsy';
export { buildSheet } from './sheetPlans';
export { answerTo } from './answers';
export { PLACE, testId, WRENCHES, type LeadSays, type Place } from './hands';
export { moveArbitrary, type Move } from './moves';
export { planArbitrary, type SheetPlan } from './sheetParts';
