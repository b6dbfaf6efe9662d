import { commonText } from '@/language/common';
import { useEffect, useState, type ReactElement } from 'react';
import { loadWorkBy } from '@/data';
import { FailedNotice } from '@/features/account';
import { Loading, ScreenFrame } from '@/ui';

type Work = typeof import('./workScreens');
let loaded: Work | null = null;
const work = async (): Promise<Work> => (loaded = await import('./workScreens'));
loadWorkBy(work);

type ScreenName = Extract<keyof Work, `${string}Screen`>;
/**
 * A screen that is loaded when someone goes there; the service worker has it already. Once it is
 * here it is drawn at once: a Suspense boundary would hold back what it shows for 300 ms.
 */
function lazyScreen(name: ScreenName): () => ReactElement {
  return function LazyScreen() {
    const [screens, setScreens] = useState(loaded);
    const [failed, setFailed] = useState<Error | null>(null);
    useEffect(() => {
      if (!screens) work().then(setScreens, setFailed);
    }, [screens]);
    const Screen = screens?.[name];
    if (Screen) return <Screen />;
    return (
      <ScreenFrame title="" back="/" backLabel={commonText.today}>
        {failed ? <FailedNotice error={failed} /> : <Loading text={commonText.opening} rows={4} />}
      </ScreenFrame>
    );
  };
}

export const AccountScreen = lazyScreen('AccountScreen');
export const SetupScreen = lazyScreen('SetupScreen');
export const TightenScreen = lazyScreen('TightenScreen');
export const PeopleScreen = lazyScreen('PeopleScreen');
export const PrepareScreen = lazyScreen('PrepareScreen');
export const RecordScreen = lazyScreen('RecordScreen');
export const ForeignRecordScreen = lazyScreen('ForeignRecordScreen');
export const ShopScreen = lazyScreen('ShopScreen');
export const BenchScreen = lazyScreen('BenchScreen');
export const FindScreen = lazyScreen('FindScreen');
export const SheetScreen = lazyScreen('SheetScreen');
export const LibraryScreen = lazyScreen('LibraryScreen');
export const EditorScreen = lazyScreen('EditorScreen');
export const OrderScreen = lazyScreen('OrderScreen');
export const OrdersScreen = lazyScreen('OrdersScreen');
export const OrderFormScreen = lazyScreen('OrderFormScreen');
export const PartsScreen = lazyScreen('PartsScreen');
export const ToolsScreen = lazyScreen('ToolsScreen');
export const WrenchScreen = lazyScreen('WrenchScreen');
export const MeasureScreen = lazyScreen('MeasureScreen');
export const FollowUpsScreen = lazyScreen('FollowUpsScreen');
export const HistoryScreen = lazyScreen('HistoryScreen');
export const PracticeScreen = lazyScreen('PracticeScreen');
export const PracticeRunScreen = lazyScreen('PracticeRunScreen');
export const PracticeResultScreen = lazyScreen('PracticeResultScreen');
export const SystemScreen = lazyScreen('SystemScreen');
