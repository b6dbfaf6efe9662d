import { useLocalSearchParams } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { seatMarks } from '@stennet/core/drawing';
import { deviationText, runRecord, saidText, type RunRecord } from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { useRun, type RunView } from '@/data/runs';
import { Card, JointMapView, Line, Loading, Notice, ScreenFrame, Section, useInks, useIsWide } from '@/ui';
import { FactsCard } from './parts/FactsCard';
import { OutCard } from './parts/OutCard';
import { SigningCard } from './parts/SigningCard';
import { SpreadChart } from './parts/SpreadChart';
import { PullTable } from './parts/PullTable';
import { TracesCard } from './parts/TracesCard';
import { SeenList } from './parts/SeenList';
import { ValueTable } from './parts/ValueTable';
import { text } from './text';

export function RecordScreen() {
  const { run } = useLocalSearchParams<{ run: string }>();
  const { me } = useSignedIn();
  const { loaded, reload } = useRun(run, me.person.id);
  if (loaded.status === 'ready') return <Ready view={loaded} />;
  return (
    <ScreenFrame title={text.title} back="/" backLabel={text.back}>
      {loaded.status === 'failed' ? (
        <Notice title={text.failed} text={`${loaded.error.message} ${loaded.error.fix}`} action={{ text: text.retry, onPress: reload }} alert />
      ) : (
        <Loading text={text.loading} />
      )}
    </ScreenFrame>
  );
}

function Ready({ view }: { view: RunView }) {
  const isWide = useIsWide();
  const { kept, state } = view;
  const record = runRecord(kept.sheet, state.events);
  const numbers = Object.fromEntries(kept.sheet.seats.map((s) => [s.id, s.id]));
  return (
    <ScreenFrame title={text.title} subtitle={`${kept.order.joint} · RO ${kept.order.number} · ${kept.order.vehicle}`} back={`/orders/${kept.order.id}`} backLabel={text.back}>
      <View style={isWide ? styles.wide : styles.phone}>
        <View style={[styles.column, isWide && styles.narrow]}>
          <Summary view={view} record={record} />
          <Card>
            <View style={{ height: 210 }}>
              <JointMapView sheet={kept.sheet} marks={seatMarks(state.sheet, state.progress, null)} numbers={numbers} label={`${kept.order.joint} as tightened`} />
            </View>
          </Card>
          <Deviations view={view} record={record} />
          <Said view={view} record={record} />
          <SeenList record={record} people={kept.people} />
          <FactsCard view={view} record={record} />
          <SigningCard view={view} />
          <OutCard run={kept.id} order={kept.order.id} sheet={kept.sheet} />
        </View>
        <View style={[styles.column, isWide && styles.broad]}>
          <ValueTable record={record} />
          <SpreadChart record={record} />
          <TracesCard record={record} />
          <PullTable record={record} people={kept.people} />
        </View>
      </View>
    </ScreenFrame>
  );
}

function Summary({ view, record }: { view: RunView; record: RunRecord }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { kept } = view;
  const soft = { fontSize: 16, lineHeight: 23, color: inks.inkSoft } as const;
  const people = record.people.map((id) => kept.people[id] ?? '').join(', ');
  const n = record.deviations.length;
  return (
    <Card {...(n > 0 ? { edge: 'warn' as const } : {})}>
      <Text role="heading" aria-level={2} style={{ fontSize: 24, fontWeight: '700', color: inks.ink }}>
        {!record.complete ? text.open : n === 0 ? text.complete : text.completeWith(n)}
      </Text>
      <Text style={soft}>{text.summary(record.pullCount, people, `${record.sheet.title}, rev ${record.sheet.revision}`)}</Text>
      {record.started ? (
        <Text style={soft}>{text.from(format.dateTime(new Date(record.started.at)), record.finishedAt ? format.time(new Date(record.finishedAt)) : null)}</Text>
      ) : null}
      {record.told.map((t) => (
        <Text key={t.question} style={soft}>
          {text.told(t.question, t.answer, kept.people[t.person] ?? '')}
        </Text>
      ))}
      {kept.supersededBy ? <Text style={soft}>{text.keepsOld(kept.supersededBy)}</Text> : null}
      {view.unsent > 0 ? <Text style={{ ...soft, fontWeight: '700', color: inks.warnText }}>{text.notSent(view.unsent)}</Text> : null}
      {record.sheet.invented ? <Text style={soft}>{text.invented}</Text> : null}
    </Card>
  );
}

function Deviations({ view, record }: { view: RunView; record: RunRecord }) {
  const inks = useInks();
  if (record.deviations.length === 0) return null;
  return (
    <Card edge="warn">
      <Text role="heading" aria-level={2} style={{ fontSize: 20, fontWeight: '700', color: inks.ink }}>
        {text.deviations}
      </Text>
      {record.deviations.map((d) => (
        <Text key={d.event} style={{ fontSize: 16, lineHeight: 23, color: inks.ink }}>
          {deviationText(record, d, view.kept.people)}
        </Text>
      ))}
    </Card>
  );
}

/** Leave that was given or refused, by name. */
function Said({ view, record }: { view: RunView; record: RunRecord }) {
  const { format } = useSignedIn();
  if (record.said.length === 0) return null;
  return (
    <Section title={text.said}>
      {record.said.map((s) => (
        <Line key={s.id}>{`${saidText(s, view.kept.people)} ${format.dateTime(new Date(s.at))}`}</Line>
      ))}
    </Section>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 12 },
  wide: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  column: { gap: 12, minWidth: 0 },
  narrow: { flex: 2 },
  broad: { flex: 3 },
});
