import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { isAllowed, type Order } from '@stennet/core/contract';
import type { EntryOf } from '@stennet/core/order';
import { judgeMeasured, rowText, type Measured } from '@stennet/core/measure';
import { ofKind, problemOf, useEntries, useOrder, useSignedIn, type ShownEntry } from '@/data';
import { Line, ScreenFrame, Section, Waiting } from '@/ui';
import { Compared } from './parts/Compared';
import { MeasureForm } from './parts/MeasureForm';
import { Result } from '@/ui/measuring/Result';
import { text as measuringText } from '@/ui/measuring/text';
import { cheaper, text } from './text';

/**
 * What is measured on a repair order: raw readings kept, judged with the instrument's own
 * uncertainty.
 */
export function MeasureScreen() {
  const { order: id } = useLocalSearchParams<{ order: string }>();
  const order = useOrder(id);
  if (order.data) return <Ready order={order.data} />;
  return (
    <ScreenFrame title={text.title} back={`/orders/${id}`} backLabel={text.back}>
      <Waiting problem={problemOf(order)} text={text} onRetry={() => void order.refetch()} />
    </ScreenFrame>
  );
}

function Ready({ order }: { order: Order }) {
  const { me } = useSignedIn();
  /** Each measurement is an entry of its own. */
  const [count, setCount] = useState(0);
  const measured = ofKind(useEntries(order), 'measurement');
  const mayWrite = isAllowed(me.role, 'order.write') && order.state !== 'handedOver';
  return (
    <ScreenFrame
      title={text.title}
      subtitle={text.sub({
        number: order.number,
        vehicle: `${order.vehicle.maker} ${order.vehicle.model}`,
      })}
      back={`/orders/${order.id}`}
      backLabel={text.back}
    >
      {mayWrite ? (
        <MeasureForm key={count} order={order.id} onSaved={() => setCount(count + 1)} />
      ) : null}
      <Compared joints={order.jobs.flatMap((j) => j.joints)} />
      {measured.length === 0 ? (
        <Line>{text.none}</Line>
      ) : (
        [...measured].reverse().map((e) => <Kept key={e.id} entry={e} />)
      )}
    </ScreenFrame>
  );
}

function Kept({ entry }: { entry: ShownEntry<EntryOf<'measurement'>> }) {
  const { format } = useSignedIn();
  const { body } = entry;
  return (
    <Section title={`${body.of} · ${measuringText.kinds[body.what].title}`}>
      <Result
        what={body.what}
        judged={judgeMeasured(body as Measured)}
        unit={body.unit}
        format={format}
      />
      {body.then ? <Line strong>{text.decided({ what: text.thens[body.then] })}</Line> : null}
      {body.prices ? <Line>{cheaper(body.prices, format)}</Line> : null}
      <Line>
        {body.rows
          .map(
            (r) =>
              `${rowText(r.row)}: ${r.values.map((v) => (v === null ? '–' : format.number(v, 4))).join(' / ')}`,
          )
          .join('; ')}
      </Line>
      <Line>{[body.instrument, body.note ?? ''].filter(Boolean).join(' · ')}</Line>
      <Line>
        {entry.waiting
          ? text.notSent
          : text.by({ by: entry.by, at: format.dateTime(new Date(entry.at)) })}
      </Line>
    </Section>
  );
}
