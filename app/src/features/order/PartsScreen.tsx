import { lineKey, type PartLine } from '@stennet/core/prepare';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { isAllowed, type Order } from '@stennet/core/contract';
import { problemOf, useEntries, useOrder, useSignedIn } from '@/data';
import { openFile } from '@/platform/files';
import {
  BigButton,
  Card,
  Line,
  Notice,
  ScreenFrame,
  Section,
  TextField,
  useIsWide,
  Waiting,
} from '@/ui';
import { usePartsList } from './hooks/usePartsList';
import { useSave } from './hooks/useSave';
import { Kits } from './parts/Kits';
import { PartDetail, type PartProps } from './parts/PartDetail';
import { PartRow } from './parts/PartRow';
import { PartsTable } from './parts/PartsTable';
import { text } from './text';

/**
 * From the jobs: what must be new, what may come back and how, what is worth replacing while in
 * there.
 */
export function PartsScreen() {
  const { order: id } = useLocalSearchParams<{ order: string }>();
  const order = useOrder(id);
  if (order.data) return <Ready order={order.data} />;
  return (
    <ScreenFrame title={text.parts} back={`/orders/${id}`} backLabel={text.backToOrder}>
      <Waiting problem={problemOf(order)} text={text} onRetry={() => void order.refetch()} />
    </ScreenFrame>
  );
}

function Ready({ order }: { order: Order }) {
  const isWide = useIsWide();
  const { me } = useSignedIn();
  const entries = useEntries(order);
  const { lines, sheets, missing } = usePartsList(order, entries);
  const mayWrite = isAllowed(me.role, 'order.write') && order.state !== 'handedOver';
  const sheetOf = (line: PartLine) => sheets.find((s) => s.joint === line.joint)?.sheet;
  const propsOf = (line: PartLine): PartProps => ({
    order: order.id,
    line,
    shown: entries.find((e) => e.id === line.entry?.id),
    sheet: sheetOf(line),
    mayWrite,
  });
  const { part: asked } = useLocalSearchParams<{ part?: string }>();
  const chosen =
    lines.find((l) => lineKey(l) === asked) ?? lines.find((l) => l.need.need === 'new') ?? lines[0];
  const part = (title: string, of: PartLine['need']['need']) => {
    const own = lines.filter((l) => l.need.need === of);
    if (own.length === 0) return null;
    return (
      <Section title={title}>
        {own.map((l) => (
          <PartRow key={lineKey(l)} {...propsOf(l)} />
        ))}
      </Section>
    );
  };
  return (
    <ScreenFrame
      title={text.partsFor({ number: order.number })}
      subtitle={`${order.vehicle.maker} ${order.vehicle.model}`}
      back={`/orders/${order.id}`}
      backLabel={text.backToOrder}
    >
      {missing.length > 0 ? <Line>{`${text.looking}: ${missing.join(', ')}`}</Line> : null}
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && styles.left]}>
          {isWide ? (
            <Card>
              <PartsTable
                order={order.id}
                lines={lines}
                sheetOf={sheetOf}
                chosen={chosen && lineKey(chosen)}
                mayWrite={mayWrite}
              />
            </Card>
          ) : (
            <>
              {part(text.mustNew, 'new')}
              {part(text.whileIn, 'consider')}
              {part(text.mayReuse, 'reuse')}
            </>
          )}
        </View>
        <View style={[styles.column, isWide && styles.right]}>
          {isWide && chosen ? (
            <Section title={text.count({ n: chosen.need.count, what: chosen.need.what })}>
              <PartDetail key={lineKey(chosen)} {...propsOf(chosen)} />
            </Section>
          ) : null}
          {order.jobs.map((job) => (
            <Kits
              key={job.id}
              order={order.id}
              job={job}
              lines={lines}
              entries={entries}
              mayWrite={mayWrite}
            />
          ))}
          {mayWrite && order.jobs[0] ? <AddPart order={order.id} job={order.jobs[0].id} /> : null}
          <View style={styles.row}>
            <BigButton
              text={text.onPaper}
              look="quiet"
              size="desk"
              grow
              onPress={() => openFile(`/api/orders/${order.id}/parts?form=pdf`, 'show')}
            />
            <BigButton
              text={text.asTable}
              look="quiet"
              size="desk"
              grow
              onPress={() => openFile(`/api/orders/${order.id}/parts?form=csv`, 'keep')}
            />
          </View>
        </View>
      </View>
    </ScreenFrame>
  );
}

function AddPart({ order, job }: { order: string; job: string }) {
  const [what, setWhat] = useState<string | null>(null);
  const [count, setCount] = useState('1');
  const { problem, save } = useSave();
  if (what === null)
    return <BigButton text={text.addPart} look="quiet" size="desk" onPress={() => setWhat('')} />;
  const n = /^\d{1,4}$/.test(count.trim()) ? Number(count) : 0;
  const isGood = n >= 1 && n <= 1000;
  return (
    <Section title={text.addPart}>
      {problem ? <Notice title={problem} look="warn" alert /> : null}
      <TextField label={text.partWhat} value={what} onChange={(t) => setWhat(t.slice(0, 80))} />
      <TextField
        label={text.seenCount}
        value={count}
        onChange={setCount}
        mode="decimal"
        problem={isGood ? undefined : text.countWrong}
      />
      <BigButton
        text={text.save}
        look="plain"
        size="desk"
        disabled={!what.trim() || !isGood}
        onPress={() =>
          save(
            { order, body: { kind: 'part', job, what: what.trim(), count: n, state: 'needed' } },
            () => setWhat(null),
          )
        }
      />
      <BigButton text={text.cancel} look="quiet" size="desk" onPress={() => setWhat(null)} />
    </Section>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12 },
  left: { flex: 3, minWidth: 0 },
  right: { flex: 2, minWidth: 0 },
  row: { flexDirection: 'row', gap: 12 },
});
