import { View } from 'react-native';
import { Text } from 'react-native-paper';
import { stationNow, STATIONS, STATION_TEXT } from '@stennet/core/order';
import { usePeople, useSignedIn } from '@/data';
import { now } from '@/platform/clock';
import { StationStrip, useInks } from '@/ui';
import { DeskTable, type Column } from '@/tables/DeskTable';
import type { OnDesk } from '../onDesk';
import { text } from '../text';

/** All orders at the desk; the chosen one stands beside. */
export function OrdersTable({
  rows,
  chosen,
}: {
  rows: readonly OnDesk[];
  chosen: string | undefined;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const people = usePeople();
  const nameOf = (id: string): string =>
    people.data?.people.find((p) => p.id === id)?.name.split(' ')[0] ?? '';
  const strong = { fontSize: 16, fontWeight: '700', color: inks.ink } as const;
  const plain = { fontSize: 15, color: inks.ink } as const;
  const soft = { fontSize: 14, color: inks.inkSoft } as const;
  const columns: Column<OnDesk>[] = [
    {
      id: 'number',
      title: text.columns.number,
      flex: 6,
      value: ({ order }) => order.number,
      cell: ({ order }) => <Text style={strong}>{order.number}</Text>,
    },
    {
      id: 'vehicle',
      title: text.columns.vehicle,
      flex: 14,
      value: ({ order }) => `${order.vehicle.maker} ${order.vehicle.model}`,
      cell: ({ order: { vehicle, customer } }) => (
        <>
          <Text numberOfLines={2} style={strong}>{`${vehicle.maker} ${vehicle.model}`}</Text>
          <Text numberOfLines={1} style={soft}>{`${vehicle.plate} · ${customer}`}</Text>
        </>
      ),
    },
    {
      id: 'job',
      title: text.columns.job,
      flex: 14,
      value: ({ order }) => order.jobs[0]?.title ?? order.concern,
      cell: ({ order }) => (
        <Text numberOfLines={2} style={plain}>
          {order.jobs.map((j) => j.title).join(', ') || order.concern}
        </Text>
      ),
    },
    {
      id: 'way',
      title: text.columns.way,
      flex: 20,
      value: ({ way }) => STATIONS.indexOf(stationNow(way)?.name ?? 'diagnosis'),
      cell: ({ way }) => <Where way={way} />,
    },
    {
      id: 'person',
      title: text.columns.person,
      flex: 9,
      value: (row) => row.people.map(nameOf).join(', ') || null,
      cell: (row) => (
        <Text numberOfLines={2} style={plain}>
          {row.people.map(nameOf).join(', ') || '—'}
        </Text>
      ),
    },
    {
      id: 'promised',
      title: text.columns.promised,
      flex: 11,
      value: ({ order }) => order.promisedAt,
      cell: ({ order }) => (
        <Text style={plain}>
          {order.promisedAt ? format.due(new Date(order.promisedAt), now()) : ''}
        </Text>
      ),
    },
  ];
  return (
    <DeskTable
      name="orders"
      label={text.orders}
      rows={rows}
      columns={columns}
      idOf={({ order }) => order.id}
      linkOf={({ order }) => ({
        href: `/orders?at=${order.id}`,
        label: text.openOrder({ number: order.number }),
      })}
      chosen={chosen}
      sortedBy="promised"
    />
  );
}

/** The strip, and what is to be known about where it is. */
export function Where({ way }: Pick<OnDesk, 'way'>) {
  const inks = useInks();
  const at = stationNow(way);
  const isBlocked = at?.state === 'blocked';
  return (
    <View style={{ gap: 2 }}>
      <StationStrip way={way} />
      {at ? (
        <Text
          numberOfLines={2}
          style={{
            fontSize: 14,
            color: isBlocked ? inks.warnText : inks.inkSoft,
            fontWeight: isBlocked ? '700' : '400',
          }}
        >
          {[STATION_TEXT[at.name], at.fact].filter(Boolean).join(': ')}
        </Text>
      ) : null}
    </View>
  );
}
