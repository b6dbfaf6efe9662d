export { PracticeResultScreen as default } from '@/lazyScreens';
