export { Technician } from './technician';
export { type Said } from './puller';
export { answerTo } from './answers';
export { PLACE, START_MS, testId, WRENCHES, type LeadSays, type Place } from './hands';
export { rehearsal, type Asked, type Ended } from './rehearse';
