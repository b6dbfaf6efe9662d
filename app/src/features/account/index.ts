export { Root } from './Root';
export { LostScreen } from './LostScreen';
export { FailedNotice, FailedScreen } from './FailedScreen';
