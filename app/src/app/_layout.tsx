import { Root } from '@/features/account';
import { SetupScreen } from '@/lazyScreens';

export { FailedScreen as ErrorBoundary } from '@/features/account';
export default () => <Root Setup={SetupScreen} />;
