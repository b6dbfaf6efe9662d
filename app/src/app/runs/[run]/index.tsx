export { TightenScreen as default } from '@/lazyScreens';
