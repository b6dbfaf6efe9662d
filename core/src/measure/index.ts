export { guarded, guardedBand, worst, type Verdict } from './verdict';
export {
  feelerFlatness,
  type FeelerLine,
  type FeelerPoint,
  type Flatness,
  type LineFlatness,
} from './feelerLines';
export { planeFlatness, type PlaneFit } from './plane';
export { flangeWarp, type Flange, type FlangeWarp } from './flangeWarp';
export {
  stripClearance,
  stripTaper,
  type StripReading,
  type StripTable,
  type StripTaper,
} from './strip';
export {
  bearing,
  roundness,
  type Bearing,
  type BearingLimits,
  type Planes,
  type Roundness,
} from './bearing';
export {
  boltLength,
  gap,
  protrusion,
  runOut,
  type BoltLength,
  type Gap,
  type Protrusion,
  type ProtrusionLimits,
  type RunOut,
} from './gauges';
export { medianOf, robustZ, type Outlier, type RobustZ } from './wear';
export { implausible, measureKinds } from './kinds';
export type { Found, Judged, MeasureKind, Readings } from './kind';
export { rowText } from './rowText';
export { MEASURE_KINDS, type MeasureKindId } from './names';
export { judgeMeasured, readingsOf, type Measured } from './measured';
