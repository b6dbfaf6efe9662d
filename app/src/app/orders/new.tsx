export { OrderFormScreen as default } from '@/lazyScreens';
