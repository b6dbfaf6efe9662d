export { TraceSchema, type Samples, type Trace, type TraceJoint } from './trace';
export { analyseTrace, type TraceFindings, type TraceWork } from './analyseTrace';
export { featuresOf, type TraceFeatures } from './features';
export { TRACE_CLASSES, type TraceClass } from './classes';
export { classifyTrace } from './classify';
export { randomFrom, type Random } from './simulate/random';
export { MADE_UP_JOINTS, madeUpJoint, type MadeUpJoint } from './simulate/madeUpJoint';
export { madeUpBolt, type MadeUpBolt } from './simulate/madeUpBolt';
export { drawFault, type DrawnPull, type PullMode } from './simulate/drawFault';
export { simulatePull, type SimulatedPull } from './simulate/simulatePull';
export { simulateWrench } from './simulate/simulateWrench';
export {
  lookAtLast,
  lookAtPulls,
  shownCurve,
  type Look,
  type LookedAt,
  type TracedPull,
} from './lookAtPulls';
export { toolStiffness } from './toolStiffness';
export {
  PULL_KINDS,
  SAMPLE_RATES,
  variedPull,
  type PullKind,
  type Variation,
  type VariedPull,
} from './simulate/variedPull';
export { variedJoint } from './simulate/variedJoint';
export { thinOut } from './thinOut';
export {
  AnyHelloSchema,
  WRENCH_ADDRESS,
  WRENCH_PORT,
  WRENCH_VERSION,
  WrenchButtonSchema,
  WrenchHelloSchema,
  WrenchLiveSchema,
  WrenchPullSchema,
  WrenchStateSchema,
  WrenchTaskSchema,
  type WrenchHello,
  type WrenchLive,
  type WrenchPull,
  type WrenchState,
  type WrenchTask,
} from './wrenchStream';
export { approach, isNoReading, wrenchTroubles, type WrenchTrouble } from './wrenchTroubles';
