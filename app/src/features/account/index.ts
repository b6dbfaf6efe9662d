export { Root } from './Root';
export { AccountScreen } from './AccountScreen';
export { LostScreen } from './LostScreen';
export { FailedScreen } from './FailedScreen';
