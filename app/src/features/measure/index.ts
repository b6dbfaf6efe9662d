export { MeasureScreen } from './MeasureScreen';
