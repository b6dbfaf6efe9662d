export { StartScreen as default } from '@/lazyScreens';
