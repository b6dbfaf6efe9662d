import { View } from 'react-native';
import { Text, TouchableRipple } from 'react-native-paper';
import type { BenchJoint, OrderCompared, TriedOrder } from '@stennet/core/bench';
import { useSignedIn } from '@/data';
import { useBenchWork } from '@/data/benchWork';
import { BigButton, Line, Section, useInks, Why } from '@/ui';
import { text } from '../text';
import type { OrderName } from './orders';

const TRIALS = 200;
const SEED = 1000;

/** Orders beside each other on two hundred made-up joints; one that is pressed is played. */
export function OrdersBeside({
  joint,
  orders,
  shown,
  onShow,
}: {
  joint: BenchJoint;
  orders: readonly TriedOrder[];
  shown: string;
  onShow: (id: string) => void;
}) {
  const { format } = useSignedIn();
  const { result, state, share, stop, again } = useBenchWork(
    `orders ${JSON.stringify([joint, orders])}`,
    (bench, onPart) => bench.compareOrders(joint, [...orders], TRIALS, SEED, onPart as never),
  );
  const percent = (of: number): string => format.number(of * 100, 0);
  const most = result ? Math.max(...result.orders.map((o) => o.spreadOnce)) : 1;
  return (
    <Section title={text.orders.title}>
      {state === 'busy' ? (
        <>
          <Line>{text.orders.busy({ percent: percent(share) })}</Line>
          <BigButton text={text.stop} look="quiet" size="desk" onPress={stop} />
        </>
      ) : null}
      {state === 'stopped' || state === 'failed' ? (
        <BigButton text={text.ways.again} look="quiet" size="desk" onPress={again} />
      ) : null}
      {result?.orders.map((o) => (
        <OrderRow
          key={o.id}
          of={o}
          most={most}
          isShown={o.id === shown}
          onPress={() => onShow(o.id)}
        />
      ))}
      {result ? (
        <>
          <Line strong>{text.orders.friction({ percent: percent(result.frictionAlone) })}</Line>
          <Line>{text.orders.honest}</Line>
          <Why text={text.orders.why} />
        </>
      ) : null}
    </Section>
  );
}

function OrderRow({
  of,
  most,
  isShown,
  onPress,
}: {
  of: OrderCompared;
  most: number;
  isShown: boolean;
  onPress: () => void;
}) {
  const inks = useInks();
  const { format } = useSignedIn();
  const percent = (share: number): string => format.number(share * 100, 0);
  const name = text.orders.names[of.id as OrderName];
  const once = text.orders.once({ percent: percent(of.spreadOnce), bolt: of.worst });
  const settled =
    of.passes === null || of.spreadSettled === null
      ? text.orders.never
      : text.orders.settled({ count: of.passes, percent: percent(of.spreadSettled) });
  const even = text.orders.even({ mm: format.number(of.unevenMm, 2) });
  return (
    <TouchableRipple
      role="button"
      aria-pressed={isShown}
      aria-label={text.orders.show({ name, once, settled, even })}
      onPress={onPress}
      style={{
        borderWidth: 2,
        borderColor: isShown ? inks.brand : inks.line,
        borderRadius: 12,
        padding: 12,
      }}
    >
      <View style={{ gap: 4 }}>
        <Text style={{ fontSize: 17, fontWeight: '700', color: inks.ink }}>{name}</Text>
        <View style={{ height: 12, borderRadius: 6, backgroundColor: inks.line }}>
          <View
            style={{
              height: 12,
              borderRadius: 6,
              width: `${most === 0 ? 0 : (of.spreadOnce / most) * 100}%`,
              backgroundColor: inks.brand,
            }}
          />
        </View>
        {[once, settled, even].map((line) => (
          <Text key={line} style={{ fontSize: 15, lineHeight: 21, color: inks.inkSoft }}>
            {line}
          </Text>
        ))}
      </View>
    </TouchableRipple>
  );
}
