export { HistoryScreen as default } from '@/lazyScreens';
