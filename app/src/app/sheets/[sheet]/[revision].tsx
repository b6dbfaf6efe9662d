export { SheetScreen as default } from '@/lazyScreens';
