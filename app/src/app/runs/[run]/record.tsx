export { RecordScreen as default } from '@/lazyScreens';
