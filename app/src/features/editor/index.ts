export { EditorScreen } from './EditorScreen';
