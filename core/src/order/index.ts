export {
  NewJobSchema,
  OrderEntrySchema,
  OrderHeadSchema,
  type EntryKind,
  type EntryOf,
  type NewJob,
  type OrderEntry,
  type OrderHead,
} from './entries';
export { CONTACT_WAYS, ContactSchema, type Contact } from './contact';
export { JOB_KINDS, symptoms, type JobKind, type Symptom } from './jobKinds';
export {
  jointPlaces,
  jointState,
  runOf,
  type JointPlace,
  type JointRuns,
  type JointSeen,
  type JointState,
  type RunSeen,
} from './jointState';
export {
  blockers,
  isLost,
  mayNotBecome,
  putIns,
  stepsFrom,
  type Blocker,
  type OrderSeen,
} from './orderState';
export {
  stationNow,
  stations,
  STATIONS,
  STATION_TEXT,
  type OrderOnItsWay,
  type Station,
  type StationName,
} from './stations';
export { narrowed } from './scope';
export { isAwaited, PART_STATES, type PartState } from './partState';
export {
  ENTRY_KINDS,
  ORDER_STATES,
  ORDER_STATE_TEXT,
  PART_STATE_TEXT,
  type OrderState,
} from './names';
