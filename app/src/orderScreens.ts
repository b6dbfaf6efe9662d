// The repair order and what the shop has: loaded from Today's first tap on.
export { OrderFormScreen, OrderScreen, OrdersScreen, PartsScreen } from '@/features/order';
export { ToolsScreen } from '@/features/tools';
export { MeasureScreen } from '@/features/measure';
