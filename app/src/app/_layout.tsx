import { Root } from '@/features/account';
import { SetupScreen } from '@/lazyScreens';

export { FailedScreen as ErrorBoundary } from '@/features/account';
export default function Layout() {
  return <Root Setup={SetupScreen} />;
}
