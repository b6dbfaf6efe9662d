import { useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed } from '@stennet/core/contract';
import { problemOf, useOrder, useOrders, useSignedIn } from '@/data';
import { now } from '@/platform/clock';
import { useKeys } from '@/platform/keys';
import {
  BigButton,
  Card,
  Chip,
  Line,
  Notice,
  ScreenFrame,
  SearchBox,
  useInks,
  useIsWide,
  Waiting,
} from '@/ui';
import { FILTERS, isIn, LATER, onDesk, type Filter } from './onDesk';
import { OrderCard } from './parts/OrderCard';
import { OrderPane } from './parts/OrderPane';
import { OrdersTable } from './parts/OrdersTable';
import { text } from './text';

/**
 * The advisor's desk: all repair orders by what is typed and by what they wait for; on a wide
 * screen a table, with the chosen one beside it.
 */
export function OrdersScreen() {
  const { me, format } = useSignedIn();
  const inks = useInks();
  const isWide = useIsWide();
  const router = useRouter();
  const { at } = useLocalSearchParams<{ at?: string }>();
  const [q, setQ] = useState('');
  const [filter, setFilter] = useState<Filter>('open');
  const [showsKeys, setShowsKeys] = useState(false);
  const search = useRef<HTMLElement | null>(null);
  const asked = useDeferredValue(q.trim());
  const state = filter === 'done' || filter === 'handedOver' ? filter : undefined;
  const orders = useOrders({ ...(asked ? { q: asked } : {}), ...(state ? { state } : {}) });
  useKeys({
    '/': () => search.current?.querySelector('input')?.focus(),
    '?': () => setShowsKeys((on) => !on),
  });
  const rows = (orders.data?.orders ?? []).map(onDesk);
  const shown = rows.filter((row) => isIn(filter, row, now()));
  const isOpenList = state === undefined;
  const head = (
    <View style={styles.list}>
      <View style={isWide ? styles.top : styles.list}>
        <View ref={search as never} style={isWide ? styles.search : null}>
          <SearchBox label={text.search} hint={text.searchHint} value={q} onChange={setQ} />
        </View>
        {isAllowed(me.role, 'order.write') ? (
          <BigButton
            text={text.newOrder}
            look={isWide ? 'main' : 'plain'}
            size="desk"
            onPress={() => router.navigate('/orders/new')}
          />
        ) : null}
      </View>
      <View style={styles.states} role="radiogroup" aria-label={text.stateTitle}>
        {FILTERS.map((f) => (
          <Chip
            key={f}
            role="radio"
            text={
              isOpenList && !LATER.includes(f)
                ? text.filterCount({
                    name: text.filters[f],
                    n: rows.filter((row) => isIn(f, row, now())).length,
                  })
                : text.filters[f]
            }
            on={filter === f}
            onPress={() => setFilter(f)}
          />
        ))}
      </View>
      {isWide && showsKeys ? <Notice title={text.keys} text={text.keysText} /> : null}
      {orders.isError && orders.data ? (
        <Line>{text.notThere({ ago: format.ago(new Date(orders.dataUpdatedAt), now()) })}</Line>
      ) : null}
      {orders.data?.more ? <Line>{text.onlyFirst({ n: rows.length })}</Line> : null}
    </View>
  );
  const list = orders.data ? (
    shown.length === 0 ? (
      <Notice title={text.none} text={text.noneText} />
    ) : isWide ? (
      <OrdersTable rows={shown} chosen={at} />
    ) : (
      <Card>
        <View>
          {shown.map((row, i) => (
            <OrderCard key={row.order.id} row={row} isFirst={i === 0} />
          ))}
        </View>
      </Card>
    )
  ) : (
    <Waiting problem={problemOf(orders)} text={text} onRetry={() => void orders.refetch()} />
  );
  if (!isWide) {
    return (
      <ScreenFrame title={text.orders}>
        {head}
        {list}
      </ScreenFrame>
    );
  }
  // Each scrolls by itself: the chosen one begins at its top, and the list stays where it was
  // chosen.
  return (
    <ScreenFrame title={text.orders} fixed>
      <View style={styles.wide}>
        <ScrollView
          role="region"
          aria-label={text.orders}
          tabIndex={0}
          style={styles.left}
          contentContainerStyle={styles.scrolled}
        >
          <View style={styles.list}>
            {head}
            {list}
          </View>
        </ScrollView>
        <ScrollView
          key={at}
          role="region"
          aria-label={text.chosen}
          tabIndex={0}
          style={[styles.right, { borderLeftColor: inks.line }]}
          contentContainerStyle={styles.scrolled}
        >
          {at ? <Beside id={at} /> : <Notice title={text.choose} text={text.keysHint} />}
        </ScrollView>
      </View>
    </ScreenFrame>
  );
}

function Beside({ id }: { id: string }) {
  const inks = useInks();
  const order = useOrder(id);
  if (order.data) {
    const { number, vehicle, customer } = order.data;
    return (
      <View style={styles.list}>
        <Text
          role="heading"
          aria-level={2}
          style={{ fontSize: 20, fontWeight: '700', color: inks.ink }}
        >
          {`${text.title({ number })} · ${vehicle.maker} ${vehicle.model} · ${vehicle.plate} · ${customer}`}
        </Text>
        <OrderPane order={order.data} isBeside />
      </View>
    );
  }
  return <Waiting problem={problemOf(order)} text={text} onRetry={() => void order.refetch()} />;
}

const styles = StyleSheet.create({
  list: { gap: 12 },
  states: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  wide: { flex: 1, minHeight: 0, flexDirection: 'row' },
  left: { flex: 1, minWidth: 0 },
  right: { flexGrow: 0, flexShrink: 0, width: 400, borderLeftWidth: 1 },
  scrolled: { padding: 12, paddingBottom: 32 },
  top: { flexDirection: 'row', gap: 12, alignItems: 'flex-start' },
  search: { flex: 1, minWidth: 0 },
});
