export { OrderScreen } from './OrderScreen';
