export { LostScreen as default } from '@/features/account';
