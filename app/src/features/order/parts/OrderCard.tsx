import { Link } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import type { Joint } from '@stennet/core/contract';
import { happenedText } from '@stennet/core/record';
import { useSignedIn, useThumb } from '@/data';
import { now } from '@/platform/clock';
import { Thumb, useInks } from '@/ui';
import type { OnDesk } from '../onDesk';
import { text } from '../text';
import { Where } from './OrdersTable';

/** One order in the list on a phone: its joint, whose it is, where it is on its way. */
export function OrderCard({ row, isFirst }: { row: OnDesk; isFirst: boolean }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const { order, way } = row;
  const joints = order.jobs.flatMap((j) => j.joints);
  const [joint] = joints;
  const happened = [
    ...new Set(
      joints.flatMap((t) => t.runs.flatMap((r) => (r.standing.happened ?? []).map(happenedText))),
    ),
  ].slice(0, 3);
  const { maker, model, plate } = order.vehicle;
  return (
    <Link
      href={`/orders/${order.id}`}
      aria-label={text.openOrder({ number: order.number })}
      style={styles.link}
    >
      <View style={[styles.row, !isFirst && { borderTopWidth: 1, borderTopColor: inks.line }]}>
        <View style={styles.thumb}>{joint ? <JointThumb joint={joint} /> : null}</View>
        <View style={styles.words}>
          <View style={styles.line}>
            <Text style={{ fontSize: 18, fontWeight: '700', color: inks.ink }}>
              {text.title({ number: order.number })}
            </Text>
            <Text style={{ fontSize: 15, color: inks.inkSoft }}>
              {order.promisedAt ? format.due(new Date(order.promisedAt), now()) : ''}
            </Text>
          </View>
          <Text style={{ fontSize: 16, color: inks.ink }}>
            {`${maker} ${model} · ${plate} · ${order.customer}`}
          </Text>
          <Text style={{ fontSize: 15, color: inks.inkSoft }}>
            {order.jobs.map((j) => j.title).join(', ') || order.concern}
          </Text>
          <Where way={way} />
          {happened.length > 0 ? (
            <Text style={{ fontSize: 15, color: inks.inkSoft }}>{happened.join('; ')}</Text>
          ) : null}
        </View>
      </View>
    </Link>
  );
}

const JointThumb = ({ joint }: { joint: Joint }) => (
  <Thumb thumb={useThumb(joint)} width={64} height={56} label={joint.name} />
);

const styles = StyleSheet.create({
  link: { display: 'flex' },
  row: { flexDirection: 'row', gap: 12, width: '100%', paddingVertical: 12 },
  thumb: { width: 64, paddingTop: 4 },
  words: { flex: 1, minWidth: 0, gap: 4 },
  line: { flexDirection: 'row', justifyContent: 'space-between', gap: 12 },
});
