import { Text } from 'react-native-paper';
import { cellText, fastenerLabel, type RunRecord } from '@stennet/core/record';
import { useSignedIn } from '@/data';
import { stageHead } from '@stennet/core/procedure';
import { Section, useInks } from '@/ui';
import { text } from '../text';
import { Table } from './Table';

/** What is on each fastener after each stage. */
export function ValueTable({ record }: { record: RunRecord }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const columns = [
    { title: text.place, width: 52 },
    ...record.stages.map((s) => ({ title: stageHead(s, format), width: 84 })),
  ];
  const rows = record.fasteners.map((f) => ({
    key: f.fastener,
    faded: f.replaced,
    cells: [fastenerLabel(f), ...record.stages.map((s) => cellText(record, f, s, format))],
  }));
  return (
    <Section title={text.values}>
      <Table label={text.values} columns={columns} rows={rows} />
      <Text style={{ fontSize: 15, lineHeight: 21, color: inks.inkSoft }}>{text.clickNote}</Text>
    </Section>
  );
}
