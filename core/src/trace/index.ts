export { TraceSchema, type Samples, type Trace, type TraceJoint } from './trace';
export { analyseTrace, type TraceFindings, type TraceWork } from './analyseTrace';
export { featuresOf, type TraceFeatures } from './features';
export { classifyTrace, TRACE_CLASSES, type TraceClass } from './classify';
export { randomFrom, type Random } from './simulate/random';
export { MADE_UP_JOINTS, madeUpJoint, type MadeUpJoint } from './simulate/madeUpJoint';
export { drawFault, type DrawnPull, type PullMode } from './simulate/drawFault';
export { simulatePull, type SimulatedPull } from './simulate/simulatePull';
export { simulateWrench } from './simulate/simulateWrench';
export { lookAtPulls, shownCurve, type LookedAt, type TracedPull } from './lookAtPulls';
export { thinOut } from './thinOut';
export {
  WRENCH_ADDRESS,
  WRENCH_PORT,
  WrenchHelloSchema,
  WrenchPullSchema,
  WrenchTaskSchema,
  type WrenchHello,
  type WrenchPull,
  type WrenchTask,
} from './wrenchStream';
