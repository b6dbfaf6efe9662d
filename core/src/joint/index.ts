export { LabelSchema, PatternSchema, PositionSchema, type Pattern, type Position } from './pattern';
export { centreOut } from './centreOut';
export {
  crossIndices,
  evenness,
  ring,
  starIndices,
  starStep,
  thirdsIndices,
  type CircleOptions,
} from './circle';
export { orderByRule, type OrderRule } from './order';
export { pairs } from './pairs';
export { spiral } from './spiral';
export { whereabouts, type Whereabouts } from './whereabouts';
export { AS_DRAWN, viewedFrom, type MapView } from './view';
