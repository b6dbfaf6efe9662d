import { commonText } from '@/language/common';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { seatMarks } from '@stennet/core/drawing';
import { deviationText, saidText, type RunRecord } from '@stennet/core/record';
import type { RunState } from '@stennet/core/run';
import { useSignedIn } from '@/data';
import { Card, Line, Section, useInks, useIsWide } from '@/ui';
import { JointMapView } from '@/ui/work';
import { DoneList } from './DoneList';
import { PullTable } from './PullTable';
import { SeenList } from './SeenList';
import { SpreadChart } from './SpreadChart';
import { TracesCard } from './TracesCard';
import { ValueTable } from './ValueTable';
import { text } from '../text';

type People = Readonly<Record<string, string>>;
interface Told {
  record: RunRecord;
  people: People;
}
interface Body extends Told {
  state: RunState;
  joint: string;
  notes?: readonly string[];
  warning?: string | null;
  /** What stands above everything, where something has to. */
  first?: ReactNode;
  /** What is known of it beside its events. */
  children: ReactNode;
}

/** A record as its events tell it: the same for the shop's own and for one from another shop. */
export function RecordBody({
  record,
  people,
  state,
  joint,
  notes = [],
  warning = null,
  first,
  children,
}: Body) {
  const isWide = useIsWide();
  const { sheet } = state;
  const numbers = Object.fromEntries(sheet.seats.map((s) => [s.id, s.id]));
  return (
    <View style={isWide ? styles.wide : styles.phone}>
      <View style={[styles.column, isWide && styles.narrow]}>
        {first}
        <Summary record={record} people={people} notes={notes} warning={warning} />
        <Card>
          <View style={{ height: 210 }}>
            <JointMapView
              sheet={sheet}
              marks={seatMarks(sheet, state.progress, null)}
              numbers={numbers}
              label={text.mapLabel({ joint })}
            />
          </View>
        </Card>
        <Deviations record={record} people={people} />
        <Said record={record} people={people} />
        <SeenList record={record} people={people} />
        <DoneList record={record} people={people} />
        {children}
      </View>
      <View style={[styles.column, isWide && styles.broad]}>
        <ValueTable record={record} />
        <SpreadChart record={record} />
        <TracesCard sheet={sheet} record={record} />
        <PullTable record={record} people={people} />
      </View>
    </View>
  );
}

function Summary({
  record,
  people,
  notes,
  warning,
}: Told & { notes: readonly string[]; warning: string | null }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const soft = { fontSize: 16, lineHeight: 23, color: inks.inkSoft } as const;
  const names = record.people.map((id) => people[id] ?? '').join(', ');
  const n = record.deviations.length;
  return (
    <Card {...(n > 0 ? { edge: 'warn' as const } : {})}>
      <Text
        role="heading"
        aria-level={2}
        style={{ fontSize: 24, fontWeight: '700', color: inks.ink }}
      >
        {!record.complete ? text.open : n === 0 ? text.complete : text.completeWith({ count: n })}
      </Text>
      <Text style={soft}>
        {text.summary({
          pulls: record.pullCount,
          people: names,
          sheet: commonText.titleRev({
            title: record.sheet.title,
            revision: record.sheet.revision,
          }),
        })}
      </Text>
      {record.started ? (
        <Text style={soft}>
          {record.finishedAt
            ? text.between({
                start: format.dateTime(new Date(record.started.at)),
                end: format.time(new Date(record.finishedAt)),
              })
            : text.since({ start: format.dateTime(new Date(record.started.at)) })}
        </Text>
      ) : null}
      {[
        ...record.told.map((t) =>
          text.told({ question: t.question, answer: t.answer, by: people[t.person] ?? '' }),
        ),
        ...notes,
      ].map((line) => (
        <Text key={line} style={soft}>
          {line}
        </Text>
      ))}
      {warning ? (
        <Text style={{ ...soft, fontWeight: '700', color: inks.warnText }}>{warning}</Text>
      ) : null}
      {record.sheet.invented ? <Text style={soft}>{text.invented}</Text> : null}
    </Card>
  );
}

function Deviations({ record, people }: Told) {
  const inks = useInks();
  if (record.deviations.length === 0) return null;
  return (
    <Card edge="warn">
      <Text
        role="heading"
        aria-level={2}
        style={{ fontSize: 20, fontWeight: '700', color: inks.ink }}
      >
        {text.deviations}
      </Text>
      {record.deviations.map((d) => (
        <Text key={d.event} style={{ fontSize: 16, lineHeight: 23, color: inks.ink }}>
          {deviationText(record, d, people)}
        </Text>
      ))}
    </Card>
  );
}

/** Leave that was given or refused, by name. */
function Said({ record, people }: Told) {
  const { format } = useSignedIn();
  if (record.said.length === 0) return null;
  return (
    <Section title={text.said}>
      {record.said.map((s) => (
        <Line key={s.id}>{`${saidText(s, people)} ${format.dateTime(new Date(s.at))}`}</Line>
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
