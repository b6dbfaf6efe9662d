import { View } from 'react-native';
import { Text } from 'react-native-paper';
import type { ClampCase, Scatter } from '@stennet/core/clamp';
import { useSignedIn } from '@/data';
import { useBenchWork } from '@/data/benchWork';
import { BigButton, Line, MONO, Section, useInks, Why } from '@/ui';
import { text } from '../text';

const BOLTS = 10_000;
const SEED = 1;

/** The same clamp load by torque and angle and by a torque alone, each on ten thousand bolts. */
export function Ways({ of }: { of: ClampCase }) {
  const { format } = useSignedIn();
  const { result, state, share, stop, again } = useBenchWork(
    `ways ${JSON.stringify(of)}`,
    (bench, onPart) => bench.compareWays(of, BOLTS, SEED, onPart as never),
  );
  const torque = (nm: number): string => format.quantity({ value: nm, unit: 'N.m' }).text;
  const most = result ? Math.max(result.procedure.p99, result.alone?.p99 ?? 0) : 1;
  return (
    <Section title={text.ways.title}>
      {state === 'busy' ? (
        <>
          <Line>{text.ways.busy({ percent: format.number(share * 100, 0) })}</Line>
          <BigButton text={text.stop} look="quiet" size="desk" onPress={stop} />
        </>
      ) : null}
      {state === 'stopped' || state === 'failed' ? (
        <BigButton text={text.ways.again} look="quiet" size="desk" onPress={again} />
      ) : null}
      {result ? (
        <>
          {result.alone ? (
            <Way
              name={text.ways.alone({ torque: torque(result.alone.torqueNm) })}
              of={result.alone}
              most={most}
            />
          ) : null}
          <Way
            name={
              of.angleDeg > 0
                ? text.ways.both({ torque: torque(of.torqueNm), angle: format.angle(of.angleDeg) })
                : text.ways.alone({ torque: torque(of.torqueNm) })
            }
            of={result.procedure}
            most={most}
          />
          <Line>{text.ways.of({ count: format.number(result.bolts) })}</Line>
          <Why text={text.ways.why} />
        </>
      ) : null}
    </Section>
  );
}

/** Middle, and where nine of ten bolts lie. */
function Way({ name, of, most }: { name: string; of: Scatter; most: number }) {
  const inks = useInks();
  const { format } = useSignedIn();
  const at = (n: number): `${number}%` => `${Math.max(0, Math.min(100, (n / most) * 100))}%`;
  const half = format.number(((of.p95 - of.p05) / 2 / of.p50) * 100, 0);
  const middle = format.quantity({ value: of.p50 / 1000, unit: 'kN' }).text;
  return (
    <View style={{ gap: 4 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between' }}>
        <Text style={{ fontSize: 16, color: inks.ink, flexShrink: 1 }}>{name}</Text>
        <Text style={{ fontSize: 17, fontWeight: '700', fontFamily: MONO, color: inks.ink }}>
          {text.ways.spread({ middle, half })}
        </Text>
      </View>
      <View aria-hidden style={{ height: 16, borderRadius: 8, backgroundColor: inks.line }}>
        <View
          style={{
            position: 'absolute',
            top: 0,
            bottom: 0,
            left: at(of.p05),
            width: at(of.p95 - of.p05),
            backgroundColor: inks.brand,
            borderRadius: 4,
          }}
        />
        <View
          style={{
            position: 'absolute',
            top: -2,
            bottom: -2,
            left: at(of.p50),
            width: 3,
            backgroundColor: inks.ink,
          }}
        />
      </View>
    </View>
  );
}
