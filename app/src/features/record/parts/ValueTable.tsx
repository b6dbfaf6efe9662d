import { Text } from 'react-native-paper';
import { pullsIn, takesPart, type RecordedPull, type RunRecord } from '@stennet/core/record';
import type { Formatter } from '@stennet/core/quantity';
import { useSignedIn } from '@/data';
import { stageWords } from '@stennet/core/procedure';
import { Card, useInks } from '@/ui';
import { text } from '../text';
import { Table } from './Table';

/** What stands on each fastener after each stage. */
export function ValueTable({ record }: { record: RunRecord }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const columns = [{ title: text.bolt, width: 52 }, ...record.stages.map((s) => ({ title: stageWords(s, format), width: 84 }))];
  const rows = record.fasteners.map((f) => ({
    key: f.fastener,
    faded: f.replaced,
    cells: [
      f.fastener.endsWith('/1') && !f.replaced ? f.seat : f.fastener,
      ...record.stages.map((s) => (takesPart(record.sheet, s, f.fastener) ? cellOf(format, pullsIn(f, s)) : '')),
    ],
  }));
  return (
    <Card>
      <Text role="heading" aria-level={2} style={{ fontSize: 20, fontWeight: '700', color: inks.ink }}>
        {text.values}
      </Text>
      <Table label={text.values} columns={columns} rows={rows} />
      <Text style={{ fontSize: 15, lineHeight: 21, color: inks.inkSoft }}>{text.clickNote}</Text>
    </Card>
  );
}

function cellOf(format: Formatter, pulls: readonly RecordedPull[]): string {
  const last = pulls.at(-1);
  if (!last) return text.none;
  if (last.target?.unit !== 'deg') {
    const read = last.reading ? format.quantity(last.reading).text : text.cell[last.outcome];
    return last.pass > 1 ? `${read}, ${text.rounds(last.pass)}` : read;
  }
  if (last.outcome === 'stoppedShort' && !last.reading) return text.cell.stoppedShort;
  const measured = pulls.filter((p) => p.reading);
  if (measured.length < pulls.length) return format.angle(last.target.value);
  return format.angle(last.method === 'stripe' ? (last.reading?.value ?? 0) : pulls.reduce((sum, p) => sum + (p.reading?.value ?? 0), 0));
}
