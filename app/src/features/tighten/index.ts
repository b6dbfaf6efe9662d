export { TightenScreen } from './TightenScreen';
export { PracticeRunScreen } from './practice/PracticeRunScreen';
