export { SetupScreen as default } from '@/lazyScreens';
