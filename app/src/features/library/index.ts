export { LibraryScreen } from './LibraryScreen';
