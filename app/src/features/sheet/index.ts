export { FindScreen } from './FindScreen';
export { SheetScreen } from './SheetScreen';
