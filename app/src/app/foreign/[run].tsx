export { ForeignRecordScreen as default } from '@/lazyScreens';
