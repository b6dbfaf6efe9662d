export { ForeignRecordScreen } from './ForeignRecordScreen';
export { RecordScreen } from './RecordScreen';
