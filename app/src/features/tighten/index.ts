export { TightenScreen } from './TightenScreen';
