export { FollowUpsScreen } from './FollowUpsScreen';
