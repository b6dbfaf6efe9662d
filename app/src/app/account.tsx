export { AccountScreen as default } from '@/lazyScreens';
