export { LibraryScreen as default } from '@/lazyScreens';
