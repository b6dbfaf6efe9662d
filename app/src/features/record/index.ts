export { RecordScreen } from './RecordScreen';
