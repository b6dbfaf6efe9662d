import { lazy, Suspense, type ComponentType, type ReactElement } from 'react';
import { Loading, ScreenFrame } from '@/ui';

const ofRuns = () => import('./runScreens');
const ofLibrary = () => import('./libraryScreens');
const ofOrders = () => import('./orderScreens');
const ofAfter = () => import('./afterScreens');

/** A screen that is loaded when somebody goes there; the service worker has it already. */
function lazyScreen<N extends string>(load: () => Promise<Record<N, ComponentType>>, name: N): () => ReactElement {
  const Screen = lazy<ComponentType>(() => load().then((screens) => ({ default: screens[name] })));
  return function LazyScreen() {
    return (
      <Suspense
        fallback={
          <ScreenFrame title="" back="/" backLabel="Today">
            <Loading text="Opening" />
          </ScreenFrame>
        }
      >
        <Screen />
      </Suspense>
    );
  };
}

export const TightenScreen = lazyScreen(ofRuns, 'TightenScreen');
export const PrepareScreen = lazyScreen(ofRuns, 'PrepareScreen');
export const RecordScreen = lazyScreen(ofRuns, 'RecordScreen');
export const ForeignRecordScreen = lazyScreen(ofRuns, 'ForeignRecordScreen');
export const FindScreen = lazyScreen(ofRuns, 'FindScreen');
export const SheetScreen = lazyScreen(ofRuns, 'SheetScreen');
export const LibraryScreen = lazyScreen(ofLibrary, 'LibraryScreen');
export const EditorScreen = lazyScreen(ofLibrary, 'EditorScreen');
export const OrderScreen = lazyScreen(ofOrders, 'OrderScreen');
export const OrdersScreen = lazyScreen(ofOrders, 'OrdersScreen');
export const OrderFormScreen = lazyScreen(ofOrders, 'OrderFormScreen');
export const PartsScreen = lazyScreen(ofOrders, 'PartsScreen');
export const ToolsScreen = lazyScreen(ofOrders, 'ToolsScreen');
export const MeasureScreen = lazyScreen(ofOrders, 'MeasureScreen');
export const FollowUpsScreen = lazyScreen(ofAfter, 'FollowUpsScreen');
export const HistoryScreen = lazyScreen(ofAfter, 'HistoryScreen');
