export { Root as default } from '@/features/account';
