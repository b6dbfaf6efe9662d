import { View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { STATION_TEXT, type Station } from '@stennet/core/order';
import { useInks } from './theme';

const STEP = 20;
const MIDDLE = 9;

/** The way of an order, small: done a dot, next a ring, blocked a bar, later a small hollow. */
export function StationStrip({ way }: { way: readonly Station[] }) {
  const inks = useInks();
  const width = STEP * (way.length - 1) + 2 * MIDDLE;
  const x = (i: number): number => MIDDLE + i * STEP;
  const said = way
    .filter((s) => s.state === 'next' || s.state === 'blocked')
    .map((s) => STATION_TEXT[s.name]);
  return (
    <View role="img" aria-label={said.join(', ')} style={{ width, height: 18 }}>
      <Svg width={width} height={18} aria-hidden>
        <Line x1={x(0)} x2={x(way.length - 1)} y1={9} y2={9} stroke={inks.line} strokeWidth={3} />
        {/* Only from one that is done to the next that is: what was skipped shows. */}
        {way.map((s, i) =>
          i > 0 && s.state === 'done' && way[i - 1]?.state === 'done' ? (
            <Line
              key={s.name}
              x1={x(i - 1)}
              x2={x(i)}
              y1={9}
              y2={9}
              stroke={inks.ink}
              strokeWidth={3}
            />
          ) : null,
        )}
        {way.map((s, i) => (
          <StationMark key={s.name} state={s.state} x={x(i)} y={9} />
        ))}
      </Svg>
    </View>
  );
}

/** One station's sign; inside an Svg. */
export function StationMark({ state, x, y }: { state: Station['state']; x: number; y: number }) {
  const inks = useInks();
  switch (state) {
    case 'done':
      return <Circle cx={x} cy={y} r={5.5} fill={inks.ink} />;
    case 'next':
      return (
        <Circle cx={x} cy={y} r={6.5} fill={inks.card} stroke={inks.brand} strokeWidth={3.5} />
      );
    case 'blocked':
      return <Rect x={x - 9} y={y - 4} width={18} height={8} rx={2} fill={inks.warn} />;
    default:
      return (
        <Circle cx={x} cy={y} r={4.5} fill={inks.card} stroke={inks.partEdge} strokeWidth={2} />
      );
  }
}
