export { Root } from './Root';
export { LostScreen } from './LostScreen';
export { FailedScreen } from './FailedScreen';
