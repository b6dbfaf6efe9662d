export { ShopScreen as default } from '@/lazyScreens';
