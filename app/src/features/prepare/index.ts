export { PrepareScreen } from './PrepareScreen';
