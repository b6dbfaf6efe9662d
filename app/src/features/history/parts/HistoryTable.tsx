import { Text } from 'react-native-paper';
import type { HistoryLine } from '@stennet/core/contract';
import { useSignedIn } from '@/data';
import { commonText } from '@/language/common';
import { useInks } from '@/ui';
import { DeskTable, type Column } from '@/tables/DeskTable';
import { text } from '../text';

/** What was tightened, at the desk: each row leads to its record. */
export function HistoryTable({ lines }: { lines: readonly HistoryLine[] }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const jointOf = (l: HistoryLine): string => [l.joint, l.instance].filter(Boolean).join(' ');
  const words = (title: string, id: string, flex: number, of: (l: HistoryLine) => string) => ({
    id,
    title,
    flex,
    value: of,
    cell: (l: HistoryLine) => <Text style={{ fontSize: 15, color: inks.ink }}>{of(l)}</Text>,
  });
  const columns: Column<HistoryLine>[] = [
    {
      ...words(text.columns.day, 'at', 10, (l) => l.at),
      cell: (l) => (
        <Text style={{ fontSize: 15, color: inks.ink }}>{format.day(l.at.slice(0, 10))}</Text>
      ),
    },
    words(text.columns.number, 'number', 7, (l) => commonText.ro({ number: l.number })),
    words(text.columns.joint, 'joint', 14, jointOf),
    words(
      text.columns.vehicle,
      'vehicle',
      16,
      (l) => `${l.vehicle.maker} ${l.vehicle.model}, ${l.vehicle.plate}`,
    ),
    words(text.columns.customer, 'customer', 9, (l) => l.customer),
    words(text.columns.sheet, 'sheet', 14, (l) =>
      text.sheetLine({ title: l.title, revision: l.revision }),
    ),
    words(text.columns.state, 'state', 9, (l) =>
      l.state === 'finished' ? text.signing[l.signing] : text.states[l.state],
    ),
  ];
  return (
    <DeskTable
      name="history"
      label={text.tightened}
      rows={lines}
      columns={columns}
      idOf={(l) => l.run}
      linkOf={(l) => ({
        href: `/runs/${l.run}/record`,
        label: text.open({ number: l.number, joint: jointOf(l) }),
      })}
      chosen={undefined}
      sortedBy="at"
      isNewestFirst
    />
  );
}
