export {
  correctedDay,
  dueDay,
  FOLLOW_UP_KINDS,
  FOLLOW_UP_STATES,
  followUpsOf,
  kmPerDay,
  standingOn,
  toKm,
  USUAL_KM_PER_DAY,
  type FollowUpKind,
  type FollowUpPlan,
  type FollowUpState,
  type OdometerSeen,
  type Standing,
} from './followUp';
export { addDays, dayIn } from './shopDay';
