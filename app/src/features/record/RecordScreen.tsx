import { commonText } from '@/language/common';
import { useLocalSearchParams } from 'expo-router';
import { runRecord } from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { useRun } from '@/data/runs';
import { type RunView } from '@/data/runStore';
import { BenchLink, ScreenFrame, Waiting } from '@/ui';
import { FactsCard } from './parts/FactsCard';
import { OrderFacts } from './parts/OrderFacts';
import { OutCard } from './parts/OutCard';
import { RecordBody } from './parts/RecordBody';
import { SigningCard } from './parts/SigningCard';
import { text } from './text';

export function RecordScreen() {
  const { run } = useLocalSearchParams<{ run: string }>();
  const { me } = useSignedIn();
  const { loaded, reload } = useRun(run, me.person.id);
  if (loaded.status === 'ready') return <Ready view={loaded} />;
  const failed = loaded.status === 'failed' ? loaded.error : null;
  return (
    <ScreenFrame title={text.title} back="/" backLabel={text.back}>
      <Waiting problem={failed} text={text} onRetry={reload} />
    </ScreenFrame>
  );
}

function Ready({ view }: { view: RunView }) {
  const { kept, state } = view;
  const record = runRecord(kept.sheet, state.events);
  return (
    <ScreenFrame
      title={text.title}
      subtitle={`${kept.order.joint} · ${commonText.ro({ number: kept.order.number })} · ${kept.order.vehicle}`}
      back={`/orders/${kept.order.id}`}
      backLabel={text.back}
    >
      <RecordBody
        record={record}
        state={state}
        people={kept.people}
        joint={kept.order.joint}
        notes={kept.supersededBy ? [text.keepsOld({ by: kept.supersededBy })] : []}
        warning={view.unsent > 0 ? text.notSent({ count: view.unsent }) : null}
      >
        <FactsCard record={record}>
          <OrderFacts order={kept.order.id} joint={kept.joint} />
        </FactsCard>
        <SigningCard view={view} />
        <BenchLink joint={kept.joint} page="joint" run={kept.id} />
        <OutCard run={kept.id} order={kept.order.id} sheet={kept.sheet} />
      </RecordBody>
    </ScreenFrame>
  );
}
