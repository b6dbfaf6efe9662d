import { memo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureDetector, GestureHandlerRootView } from 'react-native-gesture-handler';
import { jointMap, mapPlaces, zoomedTo, type SeatMark } from '@stennet/core/drawing';
import { AS_DRAWN, type MapView } from '@stennet/core/joint';
import type { Sheet } from '@stennet/core/procedure';
import { Text } from 'react-native-paper';
import { commonText } from '@/language/common';
import { BigButton } from './BigButton';
import { DrawingView } from './DrawingView';
import { useInks } from './theme';
import { useZoomPan } from './useZoomPan';

interface Props {
  sheet: Sheet;
  marks: Readonly<Record<string, SeatMark>>;
  numbers: Readonly<Record<string, string>>;
  /** The place in the order, a second and smaller mark. */
  ordinals?: Readonly<Record<string, string>>;
  label: string;
  words?: boolean;
  view?: MapView;
  /** So many times larger, round the fastener that is next. */
  zoom?: number;
  /** Tapped: the fastener nearest to it. A list says the same; the map is never the only way. */
  onSeat?: (seat: string) => void;
}

const NO_ORDINALS = {};
/** So far from a fastener a tap still means it, in pixels. */
const REACH = 44;

/** The joint as it lies before the technician; fills the box it is put in. */
export function JointMapView({
  sheet,
  marks,
  numbers,
  ordinals = NO_ORDINALS,
  label,
  words = true,
  view = AS_DRAWN,
  zoom = 1,
  onSeat,
}: Props) {
  const inks = useInks();
  const { seenFrom } = sheet.pattern;
  const seen = words && seenFrom ? commonText.seenFrom[seenFrom] : '';
  const [size, setSize] = useState({ width: 1, height: 1 });
  const places = mapPlaces(sheet, view);
  const next = places.find((p) => marks[p.seat]?.next) ?? null;
  const whole = jointMap(sheet, marks, { words, numbers, ordinals, view });
  const tapped = (at: { x: number; y: number }, scale: number): void => {
    const far = places.map((p) => ({
      seat: p.seat,
      px: Math.hypot(p.x - at.x, p.y - at.y) * scale,
    }));
    const [nearest] = far.sort((a, b) => a.px - b.px);
    if (nearest && nearest.px <= REACH) onSeat?.(nearest.seat);
  };
  const { shown, gesture, isHeld, letGo } = useZoomPan(
    whole,
    zoomedTo(whole, zoom, next),
    size,
    next?.seat,
    onSeat && tapped,
  );
  return (
    <View
      style={styles.box}
      onLayout={({ nativeEvent: { layout } }) =>
        setSize({ width: Math.max(1, layout.width), height: Math.max(1, layout.height) })
      }
    >
      <DrawingView
        drawing={shown}
        label={seen ? `${label} ${seen}` : label}
        width="100%"
        height="100%"
      />
      {seen ? (
        <Text aria-hidden style={[styles.seen, { color: inks.inkSoft }]}>
          {seen}
        </Text>
      ) : null}
      <Glass gesture={gesture} isHeld={isHeld} />
      {isHeld ? (
        <View style={styles.fit}>
          <BigButton text={commonText.wholeMap} look="quiet" size="desk" onPress={letGo} />
        </View>
      ) : null}
    </View>
  );
}

/** Where the map is touched. */
const Glass = memo(function Glass({
  gesture,
  isHeld,
}: Pick<ReturnType<typeof useZoomPan>, 'gesture' | 'isHeld'>) {
  return (
    <GestureHandlerRootView style={StyleSheet.absoluteFill}>
      <GestureDetector gesture={gesture} touchAction={isHeld ? 'none' : 'pan-y'}>
        <View aria-hidden style={StyleSheet.absoluteFill} />
      </GestureDetector>
    </GestureHandlerRootView>
  );
});

const styles = StyleSheet.create({
  box: { width: '100%', height: '100%', overflow: 'hidden' },
  seen: { position: 'absolute', left: 0, top: 0, fontSize: 14 },
  fit: { position: 'absolute', right: 0, bottom: 0 },
});
