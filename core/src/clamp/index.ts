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
export {
  angleJointOf,
  caliperSees,
  CALIPER_MM,
  clampCurve,
  torqueAloneNm,
  usesOf,
  type ClampBolt,
  type ClampCase,
  type ClampCurve,
  type FurtherUse,
  type GasketKind,
  type PartMaterial,
} from './clampCase';
export { clampSummary, groupMedians, type ClampSummary } from './clampSummary';
export {
  clampOf,
  scatterBolts,
  scatterInputs,
  scatterOf,
  type Scatter,
  type ScatterInputs,
  type ScatterMode,
} from './scatter';
