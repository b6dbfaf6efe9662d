export { OrderScreen as default } from '@/lazyScreens';
