export { PracticeRunScreen as default } from '@/lazyScreens';
