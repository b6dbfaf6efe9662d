export { FindScreen } from './FindScreen';
