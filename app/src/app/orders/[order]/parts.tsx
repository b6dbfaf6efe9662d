export { PartsScreen as default } from '@/lazyScreens';
