export { StartScreen } from './StartScreen';
export { TightenScreen } from './TightenScreen';
