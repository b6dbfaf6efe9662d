export { clockAfter, flats, swings, type ClockPlace, type Flats, type Swings } from './swings';
export {
  isTorqueWrench,
  largestDrive,
  problemsOf,
  ShopToolSchema,
  TOOL_KINDS,
  usualLowest,
  wrenchesOf,
  type ListedTool,
  type ShopTool,
  type ShopToolKind,
} from './shopTool';
export {
  barLengthMm,
  HARD_PUSH_N,
  sockets,
  toolPlan,
  usesTool,
  type Fit,
  type NoWrench,
  type PlanLine,
  type ToolPlan,
} from './toolPlan';
export {
  compareKit,
  partsOf,
  type Kit,
  type KitCompared,
  type PartNeed,
  type PricedNeed,
} from './parts';
export { wrongPart, type Mismatch, type PartSeen } from './wrongPart';
export {
  crankHeldBy,
  doneOnce,
  isWrongPart,
  leftOutBefore,
  startBlockers,
  chosenBefore,
  type RunBefore,
  type StartSeen,
} from './startBlockers';
export { otherCompound } from './otherCompound';
export { lineKey, neededNew, partsList, type JointParts, type PartLine } from './partsList';
export { scaleDoubt } from './scaleDoubt';
