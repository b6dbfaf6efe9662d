export { PrepareScreen as default } from '@/lazyScreens';
