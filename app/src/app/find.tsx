export { FindScreen as default } from '@/lazyScreens';
