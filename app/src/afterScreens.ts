// What comes after the work: loaded when somebody asks what falls due or what was tightened.
export { FollowUpsScreen } from '@/features/followUps';
export { HistoryScreen } from '@/features/history';
