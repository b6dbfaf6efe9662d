export { clampOfRecord, type BoltClamp, type RecordClamp } from './clampOfRecord';
export { compareOrders, type OrderCompared, type TriedOrder } from './compareOrders';
export { compareWays, type WaysCompared } from './compareWays';
export {
  benchJointOf,
  examplePlaces,
  EXAMPLES,
  FLANGES,
  flexibilityOf,
  jointBoltOf,
  type BenchJoint,
  type Example,
  type FlangeKind,
} from './benchJoint';
export { pullByPull, type PulledJoint } from './pullByPull';
