export { SheetScreen } from './SheetScreen';
