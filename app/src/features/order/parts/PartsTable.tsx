import { Text } from 'react-native-paper';
import { isAwaited } from '@stennet/core/order';
import { lineKey, type PartLine } from '@stennet/core/prepare';
import { type Sheet } from '@stennet/core/procedure';
import { useSignedIn } from '@/data';
import { useInks } from '@/ui';
import { DeskTable, type Column } from '@/tables/DeskTable';
import { usePart } from '../hooks/usePart';
import { text } from '../text';
import { useFact } from './PartRow';
import { PartStateMenu } from './PartState';

const NEEDS = ['new', 'consider', 'reuse'] as const;

/** Every part of an order at the desk; the chosen one stands beside. */
export function PartsTable({
  order,
  lines,
  sheetOf,
  chosen,
  mayWrite,
}: {
  order: string;
  lines: readonly PartLine[];
  sheetOf: (line: PartLine) => Sheet | undefined;
  chosen: string | undefined;
  mayWrite: boolean;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const plain = { fontSize: 15, color: inks.ink };
  const columns: Column<PartLine>[] = [
    {
      id: 'what',
      title: text.partWhat,
      flex: 24,
      value: ({ need }) => need.what,
      cell: (line) => <What line={line} sheet={sheetOf(line)} />,
    },
    {
      id: 'need',
      title: text.partNeed,
      flex: 12,
      value: ({ need }) => NEEDS.indexOf(need.need),
      cell: ({ need }) => <Text style={plain}>{text.needWords[need.need]}</Text>,
    },
    {
      id: 'state',
      title: text.partState,
      flex: 14,
      isControl: true,
      value: ({ entry, need }) => (need.need === 'reuse' ? null : (entry?.body.state ?? 'needed')),
      cell: (line) => <State order={order} line={line} mayWrite={mayWrite} />,
    },
    {
      id: 'due',
      title: text.due,
      flex: 10,
      value: ({ entry }) => entry?.body.due ?? null,
      cell: ({ entry }) => (
        <Text style={plain}>
          {entry?.body.due && isAwaited(entry.body.state) ? format.day(entry.body.due) : ''}
        </Text>
      ),
    },
    {
      id: 'price',
      title: text.price,
      flex: 8,
      value: ({ entry }) => entry?.body.cents ?? null,
      cell: ({ entry }) => (
        <Text style={plain}>
          {entry?.body.cents === undefined ? '' : format.price(entry.body.cents)}
        </Text>
      ),
    },
  ];
  return (
    <DeskTable
      name="parts"
      label={text.parts}
      rows={lines}
      columns={columns}
      idOf={lineKey}
      linkOf={(line) => ({
        href: `/orders/${order}/parts?part=${encodeURIComponent(lineKey(line))}`,
        label: text.partMore({ what: line.need.what }),
      })}
      chosen={chosen}
      sortedBy="need"
    />
  );
}

function What({ line, sheet }: { line: PartLine; sheet: Sheet | undefined }) {
  const inks = useInks();
  const fact = useFact(line, sheet);
  return (
    <>
      <Text style={{ fontSize: 16, fontWeight: '700', color: inks.ink }}>
        {text.count({ n: line.need.count, what: line.need.what })}
      </Text>
      <Text style={{ fontSize: 14, color: fact.isWarn ? inks.warnText : inks.inkSoft }}>
        {fact.text}
      </Text>
    </>
  );
}

function State({ order, line, mayWrite }: { order: string; line: PartLine; mayWrite: boolean }) {
  const { putState } = usePart(order, line);
  if (line.need.need === 'reuse') return null;
  return (
    <PartStateMenu
      state={line.entry?.body.state}
      what={line.need.what}
      mayWrite={mayWrite}
      onPut={putState}
    />
  );
}
