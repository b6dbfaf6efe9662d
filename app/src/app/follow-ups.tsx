export { FollowUpsScreen as default } from '@/lazyScreens';
