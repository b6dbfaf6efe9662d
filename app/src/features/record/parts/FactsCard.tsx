import type { ReactNode } from 'react';
import { View } from 'react-native';
import { METHOD_TEXT, type RunRecord } from '@stennet/core/record';
import { Line, Section } from '@/ui';
import { text } from '../text';

/** By which sheet and with what it was tightened, and what else is known of it. */
export function FactsCard({ record, children }: { record: RunRecord; children?: ReactNode }) {
  const { sheet } = record;
  const pulls = record.fasteners.flatMap((f) => f.pulls).filter((p) => !p.undone);
  const tools = [...new Set(pulls.map((p) => p.wrench ?? METHOD_TEXT[p.method]))];
  const compounds = sheet.groups.flatMap((g) =>
    g.compounds.map(
      (c) => `${g.name}: ${[c.strength, c.kind].filter(Boolean).join(' ')}, ${c.place}`,
    ),
  );
  const derived = record.stages.filter((s) => s.derived).map((s) => s.name);
  return (
    <Section title={text.facts}>
      <Fact
        name={text.source}
        value={`${sheet.source.title}, ${sheet.source.publisher}, ${sheet.source.page}`}
      />
      <Fact name={text.publishedFor} value={sheet.source.condition} />
      {derived.length > 0 ? <Fact name={text.derived} value={derived.join(', ')} /> : null}
      <Fact name={text.tools} value={tools.join('; ')} />
      {compounds.length > 0 ? <Fact name={text.compounds} value={compounds.join('; ')} /> : null}
      {children}
    </Section>
  );
}

export function Fact({ name, value }: { name: string; value: string }) {
  if (!value) return null;
  return (
    <View>
      <Line>{name}</Line>
      <Line strong>{value}</Line>
    </View>
  );
}
