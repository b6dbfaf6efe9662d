export { OrderFormScreen } from './OrderFormScreen';
export { OrderScreen } from './OrderScreen';
export { OrdersScreen } from './OrdersScreen';
export { PartsScreen } from './PartsScreen';
