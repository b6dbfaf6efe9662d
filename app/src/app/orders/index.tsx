export { OrdersScreen as default } from '@/lazyScreens';
