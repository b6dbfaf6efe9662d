import { useRef } from 'react';
import { Pressable, View } from 'react-native';
import type { Position } from '@stennet/core/joint';
import { parseNumbers } from '@stennet/core/quantity';
import { Line, TextField, useInks } from '@/ui';
import { text } from '../text';

/** The board that bolts are put on, mm. */
const BOARD = { wide: 400, tall: 240 };
const MOST = 24;
/** Nearer to another than a bolt is wide, one is passed over. */
const LEAST_MM = 10;
type Spot = Pick<Position, 'xMm' | 'yMm'>;
const far = (a: Spot, b: Spot): number => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);

/** Places as they are typed, one a line; labeled in that order. */
export const placesIn = (typed: string): Position[] =>
  typed
    .split('\n')
    .map(parseNumbers)
    .flatMap(([x, y]) => (x === undefined || y === undefined ? [] : [{ xMm: x, yMm: y }]))
    .filter((p, i, all) => all.slice(0, i).every((q) => far(p, q) >= LEAST_MM))
    .slice(0, MOST)
    .map((p, i) => ({ label: String(i + 1), ...p }));

/** Bolts put where someone taps, or typed: the text is the one truth of both. */
export function FreePlaces({
  typed,
  onChange,
}: {
  typed: string;
  onChange: (typed: string) => void;
}) {
  const inks = useInks();
  const box = useRef<View>(null);
  const places = placesIn(typed);
  const put = (x: number, y: number): void =>
    box.current?.measure((_x, _y, width, height) => {
      const xMm = Math.round((x / width) * BOARD.wide);
      const yMm = Math.round((1 - y / height) * BOARD.tall);
      onChange(`${typed.trim()}${typed.trim() ? '\n' : ''}${xMm} ${yMm}`);
    });
  return (
    <>
      <Line>{text.pulls.freeHow}</Line>
      <View
        ref={box}
        style={{
          aspectRatio: BOARD.wide / BOARD.tall,
          borderWidth: 1,
          borderColor: inks.line,
          borderRadius: 8,
        }}
      >
        <Pressable
          aria-hidden
          tabIndex={-1}
          style={{ flex: 1 }}
          onPress={(e) => put(e.nativeEvent.locationX, e.nativeEvent.locationY)}
        >
          <Board places={places} />
        </Pressable>
      </View>
      <TextField label={text.pulls.free} value={typed} lines={4} onChange={onChange} />
    </>
  );
}

function Board({ places }: { places: readonly Position[] }) {
  const inks = useInks();
  return (
    <>
      {places.map((p) => (
        <View
          key={p.label}
          style={{
            position: 'absolute',
            left: `${(p.xMm / BOARD.wide) * 100}%`,
            top: `${(1 - p.yMm / BOARD.tall) * 100}%`,
            width: 22,
            height: 22,
            marginLeft: -11,
            marginTop: -11,
            borderRadius: 11,
            borderWidth: 2,
            borderColor: inks.partEdge,
            backgroundColor: inks.part,
          }}
        />
      ))}
    </>
  );
}
