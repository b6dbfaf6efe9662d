import { Text } from 'react-native-paper';
import type { Due } from '@stennet/core/contract';
import { dayIn, standingOn } from '@stennet/core/followUp';
import { useSignedIn } from '@/data';
import { now } from '@/platform/clock';
import { useInks } from '@/ui';
import { DeskTable, type Column } from '@/tables/DeskTable';
import { text } from '../text';

/** What is due, at the desk, with whom to call; the chosen vehicle stands beside. */
export function DueTable({ due, chosen }: { due: readonly Due[]; chosen: string | undefined }) {
  const inks = useInks();
  const { me, format } = useSignedIn();
  const today = dayIn(now(), me.shop.timeZone);
  const words = (title: string, id: string, flex: number, of: (f: Due) => string) => ({
    id,
    title,
    flex,
    value: of,
    cell: (f: Due) => <Text style={{ fontSize: 15, color: inks.ink }}>{of(f)}</Text>,
  });
  const columns: Column<Due>[] = [
    {
      ...words(text.columns.due, 'due', 10, (f) => f.dueOn),
      cell: (f) => {
        const isLate = standingOn(today, f) === 'overdue';
        const day = format.day(f.dueOn);
        return (
          <Text
            style={{
              fontSize: 15,
              color: isLate ? inks.warnText : inks.ink,
              fontWeight: isLate ? '700' : '400',
            }}
          >
            {isLate ? `▲ ${day}` : day}
          </Text>
        );
      },
    },
    words(text.columns.what, 'what', 22, (f) => f.text),
    words(
      text.columns.vehicle,
      'vehicle',
      14,
      (f) => `${f.vehicle.plate}, ${f.vehicle.maker} ${f.vehicle.model}`,
    ),
    words(text.columns.customer, 'customer', 9, (f) => f.customer),
    words(text.columns.phone, 'phone', 9, (f) => f.contact?.phone ?? ''),
    words(text.columns.number, 'number', 6, (f) => f.number),
  ];
  return (
    <DeskTable
      name="followUps"
      label={text.title}
      rows={due}
      columns={columns}
      idOf={(f) => f.id}
      linkOf={(f) => ({
        href: `/follow-ups?at=${f.id}`,
        label: text.show({ plate: f.vehicle.plate, what: f.text }),
      })}
      chosen={chosen}
      sortedBy="due"
    />
  );
}
