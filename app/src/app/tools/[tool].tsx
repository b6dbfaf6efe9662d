export { WrenchScreen as default } from '@/lazyScreens';
