import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { SheetReply } from '@stennet/core/contract/work';
import {
  dueWords,
  orderOf,
  repeatWords,
  REUSE_TEXT,
  stageKindText,
  stageMore,
  stepMore,
  stageWords,
  threadText,
  type Sheet,
  type Stage,
} from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { Line, Section, useInks } from '@/ui';
import { CompoundsView, SourceLines } from '@/ui/work';
import { text } from '../text';

export function Stages({ sheet }: { sheet: Sheet }) {
  return (
    <Section title={text.stages}>
      {sheet.stages.map((s, i) => (
        <StageLine key={s.id} sheet={sheet} stage={s} index={i} />
      ))}
    </Section>
  );
}

function StageLine({ sheet, stage, index }: { sheet: Sheet; stage: Stage; index: number }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const order =
    stage.order && sheet.seats.length > 1
      ? text.order({ rule: orderOf(sheet, index).join(' ') })
      : '';
  const notes = [
    stageKindText(stage),
    ...stageMore(stage, sheet.stages, format),
    stage.on[0] === 'all' ? '' : stage.on.join(', '),
    repeatWords(stage),
    order,
    stage.derived ? text.derived : '',
    stage.note ?? '',
  ].filter(Boolean);
  return (
    <View style={[styles.stage, { borderTopColor: inks.line }]}>
      <Text style={{ width: 28, fontSize: 16, color: inks.inkSoft }}>{index + 1}</Text>
      <View style={styles.grow}>
        <Line strong>
          {stage.target
            ? `${stageWords(stage, format)}${stage.name.includes(stageWords(stage, format)) ? '' : `, ${stage.name}`}`
            : stage.name}
        </Line>
        {notes.length > 0 ? <Line>{notes.join(' · ')}</Line> : null}
      </View>
    </View>
  );
}

export function Fasteners({ sheet }: { sheet: Sheet }) {
  const { format } = useSignedIn();
  return (
    <Section title={text.fasteners}>
      {sheet.groups.map((g) => (
        <View key={g.id}>
          <Line strong>{g.name}</Line>
          <Line>{threadText(g, sheet.seats.filter((s) => s.group === g.id).length, format)}</Line>
          <Line>{text.drive({ head: g.head, socket: g.socket })}</Line>
          {g.behind ? <Line strong>{text.behind({ what: g.behind })}</Line> : null}
          <Line
            strong
          >{`${REUSE_TEXT[g.reuse]}${g.maxLengthMm ? `, ${text.most({ mm: format.quantity({ value: g.maxLengthMm, unit: 'mm' }).text })}` : ''}`}</Line>
          {g.compounds.length > 0 ? <CompoundsView group={g} /> : <Line>{text.nothing}</Line>}
        </View>
      ))}
    </Section>
  );
}

/** Other parts, what is worth replacing while in there, and what holds the crank. */
export function Besides({ sheet }: { sheet: Sheet }) {
  const { parts = [], holding } = sheet;
  const lines = [
    ...parts.map(
      (p) =>
        `${p.need === 'new' ? text.partNew({ n: p.count, what: p.name }) : text.partConsider({ what: p.name })}${p.why ? ` ${p.why}` : ''}`,
    ),
    ...(holding?.loosening ? [text.holdLoosening({ how: holding.loosening })] : []),
    ...(holding?.tightening ? [text.holdTightening({ how: holding.tightening })] : []),
  ];
  if (lines.length === 0) return null;
  return (
    <Section title={text.besides}>
      {lines.map((l) => (
        <Line key={l}>{l}</Line>
      ))}
    </Section>
  );
}

export function TakeApart({ sheet }: { sheet: Sheet }) {
  if (sheet.takeApart.length === 0) return null;
  return (
    <Section title={text.takeApart}>
      {sheet.takeApart.map((s) => (
        <Line key={s.id}>{s.name}</Line>
      ))}
    </Section>
  );
}

export function Steps({ sheet }: { sheet: Sheet }) {
  if (sheet.steps.length === 0) return null;
  return (
    <Section title={text.steps}>
      {sheet.steps.map((s) => (
        <Line key={s.id}>{[`${s.text} (${dueWords(s, sheet)})`, ...stepMore(s)].join(' · ')}</Line>
      ))}
    </Section>
  );
}

export function Cautions({ sheet }: { sheet: Sheet }) {
  return (
    <Section title={text.cautions}>
      {sheet.cautions.map((c) => (
        <Line key={c}>{c}</Line>
      ))}
    </Section>
  );
}

export function Source({ sheet, approval }: { sheet: Sheet; approval: SheetReply['approval'] }) {
  const { format } = useSignedIn();
  const { source } = sheet;
  return (
    <Section title={text.source}>
      <Line>{source.publisher}</Line>
      <SourceLines sheet={sheet} format={format} />
      {approval ? (
        <Line>{text.approvedBy({ who: approval.by, at: format.date(new Date(approval.at)) })}</Line>
      ) : null}
    </Section>
  );
}

export function Later({ sheet }: { sheet: Sheet }) {
  if (sheet.after.length === 0) return null;
  return (
    <Section title={text.after}>
      {sheet.after.map((a) => (
        <Line key={a.id}>{a.text}</Line>
      ))}
    </Section>
  );
}

const styles = StyleSheet.create({
  stage: { flexDirection: 'row', borderTopWidth: 1, paddingTop: 8 },
  grow: { flex: 1 },
});
