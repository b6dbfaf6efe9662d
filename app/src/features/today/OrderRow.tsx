import { Link } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { type Joint } from '@stennet/core/contract';
import { stationNow, STATION_TEXT } from '@stennet/core/order';
import { useSignedIn, useThumb } from '@/data';
import { commonText } from '@/language/common';
import { now } from '@/platform/clock';
import { StationStrip, Thumb, useInks } from '@/ui';
import { handedTo, type OnToday } from './groups';
import { text } from './text';

/** One order on Today: its drawing, what it is, where it stands and what it waits for. */
export function OrderRow({ of: { order, way }, isFirst }: { of: OnToday; isFirst: boolean }) {
  const { me, format } = useSignedIn();
  const handed = handedTo(order, me);
  const inks = useInks();
  const [joint] = order.jobs.flatMap((j) => j.joints);
  const at = stationNow(way);
  const { maker, model, plate } = order.vehicle;
  return (
    <Link
      href={`/orders/${order.id}`}
      aria-label={`${text.open} ${commonText.ro({ number: order.number })}`}
      style={styles.orderLink}
    >
      <View style={[styles.order, !isFirst && { borderTopWidth: 1, borderTopColor: inks.line }]}>
        <View style={styles.thumb}>{joint ? <OrderThumb joint={joint} /> : null}</View>
        <View style={styles.words}>
          <View style={styles.line}>
            <Text style={[styles.jobs, { color: inks.ink }]}>
              {order.jobs.map((j) => j.title).join(' · ') || order.concern}
            </Text>
            <Text style={{ color: inks.inkSoft, fontSize: 15 }}>
              {order.promisedAt ? format.due(new Date(order.promisedAt), now()) : ''}
            </Text>
          </View>
          <Text style={{ fontSize: 15, color: inks.inkSoft }}>
            {[commonText.ro({ number: order.number }), `${maker} ${model}`, plate, order.bay ?? '']
              .filter(Boolean)
              .join(' · ')}
          </Text>
          {handed ? (
            <Text style={{ fontSize: 15, fontWeight: '700', color: inks.ink }}>
              {text.handed({ ...handed })}
            </Text>
          ) : null}
          <StationStrip way={way} />
          {at ? (
            <Text
              style={{
                fontSize: 15,
                color: at.state === 'blocked' ? inks.warnText : inks.inkSoft,
                fontWeight: at.state === 'blocked' ? '700' : '400',
              }}
            >
              {[STATION_TEXT[at.name], at.fact].filter(Boolean).join(': ')}
            </Text>
          ) : null}
        </View>
      </View>
    </Link>
  );
}

const OrderThumb = ({ joint }: { joint: Joint }) => (
  <Thumb thumb={useThumb(joint)} width={64} height={56} label={text.map({ joint: joint.name })} />
);

const styles = StyleSheet.create({
  orderLink: { display: 'flex' },
  order: { flexDirection: 'row', gap: 12, width: '100%', paddingVertical: 12 },
  thumb: { width: 64, paddingTop: 4 },
  words: { flex: 1, minWidth: 0, gap: 4 },
  line: { flexDirection: 'row', justifyContent: 'space-between', flexWrap: 'wrap', columnGap: 12 },
  jobs: { fontSize: 17, fontWeight: '700', flexShrink: 1 },
});
