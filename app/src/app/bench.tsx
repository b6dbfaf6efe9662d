export { BenchScreen as default } from '@/lazyScreens';
