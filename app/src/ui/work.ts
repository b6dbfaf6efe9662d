// What only screens of sheets, runs, orders and records are made of; it brings core's drawings
// along.
export { AnswerCard } from './AnswerCard';
export {
  AroundJob,
  LostPanel,
  lostOf,
  type AroundEntry,
  type SaveAround,
} from './around/AroundJob';
export { NewAround } from './around/NewAround';
export { ChartFrame } from './ChartFrame';
export { BarChart, LineChart } from './charts';
export { roundStep } from './roundStep';
export { TraceChart } from './TraceChart';
export { CompoundsView } from './CompoundsView';
export { OtherCompound } from './OtherCompound';
export { DrawingView } from './DrawingView';
export { JointMapView } from './JointMapView';
export { PlayBar } from './PlayBar';
export { RangeField } from './RangeField';
export { ZoomPicture, type PictureMark } from './ZoomPicture';
export { Ribbon } from './Ribbon';
export { FollowUpRow } from './followUps/FollowUpRow';
export { Prevails, SourceLines } from './SheetSource';
