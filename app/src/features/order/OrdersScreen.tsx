import { Link, useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { isAllowed, type Order } from '@stennet/core/contract';
import { happenedText } from '@stennet/core/record';
import {
  blockers,
  isAwaited,
  ORDER_STATES,
  ORDER_STATE_TEXT,
  type OrderState,
} from '@stennet/core/order';
import { problemOf, useOrder, useOrders, useSignedIn } from '@/data';
import {
  BigButton,
  Chip,
  Line,
  Notice,
  ScreenFrame,
  TextField,
  useInks,
  useIsWide,
  Waiting,
} from '@/ui';
import { OrderPane } from './parts/OrderPane';
import { seenOf } from './parts/StateBar';
import { text } from './text';

/**
 * The advisor's desk: all repair orders by what is typed and by state; on a wide screen the chosen
 * one stands beside.
 */
export function OrdersScreen() {
  const { me } = useSignedIn();
  const isWide = useIsWide();
  const router = useRouter();
  const { at } = useLocalSearchParams<{ at?: string }>();
  const [q, setQ] = useState('');
  const [state, setState] = useState<OrderState | undefined>(undefined);
  const asked = useDeferredValue(q.trim());
  const orders = useOrders({ ...(asked ? { q: asked } : {}), ...(state ? { state } : {}) });
  const list = (
    <View style={styles.list}>
      <TextField label={text.search} value={q} onChange={setQ} mode="search" />
      <View style={styles.states} role="radiogroup" aria-label={text.stateTitle}>
        <Chip
          role="radio"
          text={text.all}
          on={state === undefined}
          onPress={() => setState(undefined)}
        />
        {ORDER_STATES.map((s) => (
          <Chip
            key={s}
            role="radio"
            text={ORDER_STATE_TEXT[s]}
            on={state === s}
            onPress={() => setState(s)}
          />
        ))}
      </View>
      {isAllowed(me.role, 'order.write') ? (
        <BigButton
          text={text.newOrder}
          look="plain"
          size="desk"
          onPress={() => router.navigate('/orders/new')}
        />
      ) : null}
      <BigButton
        text={text.history}
        look="quiet"
        size="desk"
        onPress={() => router.navigate('/history')}
      />
      {orders.isError && orders.data ? <Line>{text.notThere}</Line> : null}
      {orders.data ? (
        orders.data.orders.length === 0 ? (
          <Notice title={text.none} text={text.noneText} />
        ) : (
          orders.data.orders.map((o) => (
            <OrderRow key={o.id} order={o} on={isWide && o.id === at} isBeside={isWide} />
          ))
        )
      ) : (
        <Waiting problem={problemOf(orders)} text={text} onRetry={() => void orders.refetch()} />
      )}
    </View>
  );
  if (!isWide) {
    return <ScreenFrame title={text.orders}>{list}</ScreenFrame>;
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
          {list}
        </ScrollView>
        <ScrollView
          key={at}
          role="region"
          aria-label={text.chosen}
          tabIndex={0}
          style={styles.right}
          contentContainerStyle={styles.scrolled}
        >
          {at ? <Beside id={at} /> : <Notice title={text.choose} />}
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

function OrderRow({ order, on, isBeside }: { order: Order; on: boolean; isBeside: boolean }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const held = blockers(seenOf(order, order.entries)).filter((b) => b.by !== 'joint');
  const parts = order.entries.filter(
    (e) => e.body.kind === 'part' && isAwaited(e.body.state),
  ).length;
  const happened = [
    ...new Set(
      order.jobs.flatMap((j) =>
        j.joints.flatMap((t) =>
          t.runs.flatMap((r) => (r.standing.happened ?? []).map(happenedText)),
        ),
      ),
    ),
  ].slice(0, 3);
  const why = [
    parts > 0 ? text.toOrder({ count: parts }) : '',
    ...held.filter((b) => b.by !== 'part').map((b) => b.text),
  ].filter(Boolean);
  return (
    <View
      style={[styles.row, { backgroundColor: inks.card, borderColor: on ? inks.brand : inks.line }]}
    >
      <Link
        href={(isBeside ? `/orders?at=${order.id}` : `/orders/${order.id}`) as never}
        aria-label={text.openOrder({ number: order.number })}
        aria-current={on ? 'true' : undefined}
        style={styles.link}
      >
        <View style={styles.press}>
          <View style={styles.line}>
            <Text style={{ fontSize: 18, fontWeight: '700', color: inks.ink }}>
              {text.title({ number: order.number })}
            </Text>
            <Text style={{ fontSize: 15, color: inks.inkSoft }}>
              {ORDER_STATE_TEXT[order.state]}
            </Text>
          </View>
          <Text
            style={{ fontSize: 16, color: inks.ink }}
          >{`${order.vehicle.maker} ${order.vehicle.model} · ${order.vehicle.plate} · ${order.customer}`}</Text>
          <Text style={{ fontSize: 15, color: inks.inkSoft }}>
            {[
              order.jobs.map((j) => j.title).join(', '),
              order.promisedAt ? format.dateTime(new Date(order.promisedAt)) : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          {why.length > 0 ? (
            <Text
              style={{ fontSize: 15, color: inks.warnText, fontWeight: '700' }}
            >{`▲ ${why.join('; ')}`}</Text>
          ) : null}
          {happened.length > 0 ? (
            <Text style={{ fontSize: 15, color: inks.inkSoft }}>{happened.join('; ')}</Text>
          ) : null}
        </View>
      </Link>
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: 12 },
  states: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  wide: {
    flex: 1,
    minHeight: 0,
    flexDirection: 'row',
    width: '100%',
    maxWidth: 1180,
    alignSelf: 'center',
  },
  left: { flexGrow: 0, flexShrink: 0, width: 440 },
  right: { flex: 1, minWidth: 0 },
  scrolled: { padding: 12, paddingBottom: 32 },
  row: { borderRadius: 14, borderWidth: 2, overflow: 'hidden' },
  link: { display: 'flex' },
  press: { padding: 14, gap: 4, width: '100%' },
  line: { flexDirection: 'row', justifyContent: 'space-between', gap: 12 },
});
