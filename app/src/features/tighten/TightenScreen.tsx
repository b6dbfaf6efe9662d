import { useLocalSearchParams } from 'expo-router';
import { useSignedIn } from '@/data';
import { useRun } from '@/data/runs';
import type { RunView } from '@/data/runStore';
import { ScreenFrame, Waiting } from '@/ui';
import { useRunPlaceOf } from './hooks/useRunPlace';
import { RunScreen } from './parts/RunScreen';
import { text } from './text';

export function TightenScreen() {
  const { run } = useLocalSearchParams<{ run: string }>();
  const { me } = useSignedIn();
  const { loaded, confirm, reload, takeOver } = useRun(run, me.person.id);
  if (loaded.status === 'ready')
    return <Ready view={loaded} confirm={confirm} takeOver={takeOver} />;
  const failed = loaded.status === 'failed' ? loaded.error : null;
  return (
    <ScreenFrame title="Tighten" back="/" backLabel={text.back}>
      <Waiting problem={failed} text={text} onRetry={reload} />
    </ScreenFrame>
  );
}

function Ready({
  view,
  ...acts
}: { view: RunView } & Pick<ReturnType<typeof useRun>, 'confirm' | 'takeOver'>) {
  const { kept } = view;
  return (
    <RunScreen
      view={view}
      {...acts}
      place={useRunPlaceOf(kept)}
      title={kept.order.joint}
      subtitle={
        kept.supersededBy
          ? text.keepsOld({ old: kept.sheet.revision, by: kept.supersededBy })
          : text.sub({ ro: kept.order.number, vehicle: kept.order.vehicle })
      }
      back={`/orders/${kept.order.id}`}
      backLabel={text.back}
    />
  );
}
