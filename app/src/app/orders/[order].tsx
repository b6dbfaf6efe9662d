export { OrderScreen as default } from '@/features/order';
