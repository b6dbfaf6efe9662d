export { HistoryScreen } from './HistoryScreen';
