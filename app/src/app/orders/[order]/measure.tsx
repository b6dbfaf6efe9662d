export { MeasureScreen as default } from '@/lazyScreens';
