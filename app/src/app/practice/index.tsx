export { PracticeScreen as default } from '@/lazyScreens';
