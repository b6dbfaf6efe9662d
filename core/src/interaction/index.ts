export {
  BoltedJoint,
  complianceOf,
  torqueLever,
  type BoltFriction,
  type JointBolt,
} from './boltedJoint';
export { flexibilityAtBolts, type Square } from './flexibility';
export { meshOf, neighborsOf, type FlangeSection, type Layout } from './mesh';
export {
  orderOutcome,
  SETTLED_DEG,
  spreadOf,
  tightenPasses,
  type OrderOutcome,
  type Pass,
  type PassDone,
  type Spread,
} from './tightenPasses';
