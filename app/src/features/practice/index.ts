export { PracticeScreen } from './PracticeScreen';
export { PracticeResultScreen } from './PracticeResultScreen';
