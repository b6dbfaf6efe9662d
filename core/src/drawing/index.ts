export { fastenerHead, type Head } from './fastenerHead';
export {
  jointMap,
  mapPlaces,
  seatMarks,
  zoomedTo,
  type JointMapOptions,
  type SeatMark,
} from './jointMap';
export { stageRibbon, type RibbonPlace } from './stageRibbon';
export { flatsOf, stripeDial, turnDial } from './turnDial';
export type { Drawing, Ink, Shape } from './shapes';
export { fastenerSide } from './fastenerSide';
export { angleDisc } from './angleDisc';
export { adapterTop } from './adapterTop';
export { traceCurves } from './traceCurves';
export { measuredDrawing, type DrawnRow, type MeasuredPlace } from './measured';
