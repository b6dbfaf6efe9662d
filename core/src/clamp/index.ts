export {
  exactTorqueNm,
  headDiameters,
  muTotal,
  preloadByK,
  preloadForTorque,
  torqueByK,
  torqueForPreload,
  torqueLimit,
  torqueState,
  torsionFactor,
  type Friction,
  type TorqueLimit,
  type TorqueState,
} from './preload';
export {
  evenFriction,
  frictionChange,
  levelOfChange,
  preloadBand,
  type ChangeLevel,
  type FrictionChange,
} from './frictionChange';
export {
  boltCompliance,
  plateCompliance,
  type BoltCompliance,
  type JointKind,
  type PlateCompliance,
} from './compliance';
export { angleState, type AngleJoint, type AngleState } from './angleToPreload';
export {
  plausibility,
  yieldTorques,
  type Plausibility,
  type PlausibilityLevel,
  type PlausibleFor,
  type UnitSlip,
} from './plausibility';
