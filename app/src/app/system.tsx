export { SystemScreen as default } from '@/lazyScreens';
