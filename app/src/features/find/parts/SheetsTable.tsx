import type { SheetBrief } from '@stennet/core/contract/work';
import { jointKindText } from '@stennet/core/procedure';
import { DeskTable, type Column } from '@/tables/DeskTable';
import { Card, Line } from '@/ui';
import { text } from '../text';
import { marksOf, revisionOf } from './marks';

const columns = (): Column<SheetBrief>[] => [
  {
    id: 'title',
    title: text.columns.title,
    flex: 4,
    value: (b) => b.title,
    cell: (b) => <Line strong>{b.title}</Line>,
  },
  {
    id: 'engine',
    title: text.columns.engine,
    flex: 3,
    value: (b) => `${b.maker} ${b.engine}`,
    cell: (b) => <Line>{`${b.maker} ${b.model}, ${b.engine}`}</Line>,
  },
  {
    id: 'kind',
    title: text.columns.kind,
    flex: 2,
    value: (b) => jointKindText(b.kind),
    cell: (b) => <Line>{jointKindText(b.kind)}</Line>,
  },
  {
    id: 'line',
    title: text.columns.line,
    flex: 6,
    value: (b) => b.line,
    cell: (b) => <Line>{b.line}</Line>,
  },
  {
    id: 'marks',
    title: text.columns.marks,
    flex: 3,
    value: (b) => marksOf(b).join(', '),
    cell: (b) => <Line strong>{marksOf(b).join(', ')}</Line>,
  },
  {
    id: 'revision',
    title: text.columns.revision,
    flex: 2,
    value: (b) => b.revision,
    cell: (b) => <Line strong={b.status !== 'approved'}>{revisionOf(b)}</Line>,
  },
];

/** Sheets at the desk, best match first until another order is chosen. */
export function SheetsTable({ sheets }: { sheets: readonly SheetBrief[] }) {
  return (
    <Card>
      <DeskTable
        name="sheets"
        label={text.sheetsTable}
        rows={sheets}
        columns={columns()}
        idOf={(b) => `${b.sheet} ${b.revision}`}
        linkOf={(b) => ({
          href: `/sheets/${b.sheet}/${b.revision}`,
          label: text.open({ title: `${b.title}, ${text.rev({ r: b.revision })}` }),
        })}
        chosen={undefined}
      />
    </Card>
  );
}
