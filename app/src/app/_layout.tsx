import '@/lazyScreens';

export { FailedScreen as ErrorBoundary, Root as default } from '@/features/account';
