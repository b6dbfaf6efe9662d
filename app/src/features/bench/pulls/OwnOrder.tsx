import { useRef } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { clampMap, clampPlaceAt } from '@stennet/core/drawing';
import type { Position } from '@stennet/core/joint';
import { BigButton, Card, Chip, DrawingView, Fold, Line } from '@/ui';
import { text } from '../text';

/** An order of one's own, by tapping the bolts one after another; the list says the same. */
export function OwnOrder({
  places,
  own,
  onChange,
}: {
  places: readonly Position[];
  own: readonly string[];
  onChange: (own: string[]) => void;
}) {
  const box = useRef<View>(null);
  const drawing = clampMap(
    places,
    Object.fromEntries(
      places.map((p) => [
        p.label,
        {
          nowKn: 0,
          pulledToKn: 0,
          isNext: false,
          ...(own.includes(p.label) ? { ordinal: own.indexOf(p.label) + 1 } : {}),
        },
      ]),
    ),
  );
  const add = (label: string | null): void => {
    if (label && !own.includes(label)) onChange([...own, label]);
  };
  const tapped = (x: number, y: number): void => {
    box.current?.measure((_x, _y, width, height) => {
      const scale = Math.min(width / drawing.width, height / drawing.height);
      const left = (width - drawing.width * scale) / 2;
      const top = (height - drawing.height * scale) / 2;
      add(clampPlaceAt(places, { x: (x - left) / scale, y: (y - top) / scale }));
    });
  };
  const left = places.filter((p) => !own.includes(p.label));
  return (
    <Card>
      <Fold title={text.own.title}>
        <Line>{left.length > 0 ? text.own.how : text.own.done}</Line>
        <View ref={box}>
          <Pressable
            aria-hidden
            tabIndex={-1}
            onPress={(e) => tapped(e.nativeEvent.locationX, e.nativeEvent.locationY)}
          >
            <DrawingView drawing={drawing} label={text.own.title} width="100%" height={240} />
          </Pressable>
        </View>
        <View style={styles.row} role="group" aria-label={text.own.next}>
          {left.map((p) => (
            <Chip
              key={p.label}
              role="checkbox"
              text={p.label}
              on={false}
              onPress={() => add(p.label)}
            />
          ))}
        </View>
        {own.length > 0 ? (
          <>
            <Line strong>{text.own.sofar({ order: own.join(' – ') })}</Line>
            <BigButton
              text={text.own.back}
              look="quiet"
              size="desk"
              onPress={() => onChange(own.slice(0, -1))}
            />
            <BigButton
              text={text.own.clear}
              look="quiet"
              size="desk"
              onPress={() => onChange([])}
            />
          </>
        ) : null}
      </Fold>
    </Card>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 } });
