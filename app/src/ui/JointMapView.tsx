import { useState } from 'react';
import { Pressable, StyleSheet, View, type GestureResponderEvent } from 'react-native';
import { GestureDetector, GestureHandlerRootView } from 'react-native-gesture-handler';
import { jointMap, mapPlaces, zoomedTo, type SeatMark } from '@stennet/core/drawing';
import { AS_DRAWN, type MapView } from '@stennet/core/joint';
import type { Sheet } from '@stennet/core/procedure';
import { commonText } from '@/language/common';
import { BigButton } from './BigButton';
import { DrawingView } from './DrawingView';
import { fitScale, useZoomPan } from './useZoomPan';

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
  const [size, setSize] = useState({ width: 1, height: 1 });
  const places = mapPlaces(sheet, view);
  const next = places.find((p) => marks[p.seat]?.next) ?? null;
  const whole = jointMap(sheet, marks, { words, numbers, ordinals, view });
  const { shown, gesture, isHeld, letGo, hasMoved } = useZoomPan(
    whole,
    zoomedTo(whole, zoom, next),
    size,
    next?.seat,
  );
  const tapped = (event: GestureResponderEvent): void => {
    if (hasMoved.current || !onSeat) return;
    const scale = fitScale(shown, size);
    const left = (size.width - shown.width * scale) / 2;
    const top = (size.height - shown.height * scale) / 2;
    const { x, y } = placeOf(event);
    const far = places.map((p) => ({
      seat: p.seat,
      px: Math.hypot(left + (p.x - shown.x) * scale - x, top + (p.y - shown.y) * scale - y),
    }));
    const [nearest] = far.sort((a, b) => a.px - b.px);
    if (nearest && nearest.px <= REACH) onSeat(nearest.seat);
  };
  return (
    <View
      style={styles.box}
      onLayout={({ nativeEvent: { layout } }) =>
        setSize({ width: Math.max(1, layout.width), height: Math.max(1, layout.height) })
      }
    >
      <DrawingView drawing={shown} label={label} width="100%" height="100%" />
      <GestureHandlerRootView style={StyleSheet.absoluteFill}>
        <GestureDetector gesture={gesture} touchAction={isHeld ? 'none' : 'pan-y'}>
          <Pressable
            aria-hidden
            tabIndex={-1}
            onPressIn={() => {
              hasMoved.current = false;
            }}
            onPress={tapped}
            style={StyleSheet.absoluteFill}
          />
        </GestureDetector>
      </GestureHandlerRootView>
      {isHeld ? (
        <View style={styles.fit}>
          <BigButton text={commonText.wholeMap} look="quiet" size="desk" onPress={letGo} />
        </View>
      ) : null}
    </View>
  );
}

/** Where on the map: a browser's click says it in other words than a touch of the system. */
function placeOf({ nativeEvent }: GestureResponderEvent): { x: number; y: number } {
  const click = nativeEvent as unknown as { offsetX?: number; offsetY?: number };
  return { x: click.offsetX ?? nativeEvent.locationX, y: click.offsetY ?? nativeEvent.locationY };
}

const styles = StyleSheet.create({
  box: { width: '100%', height: '100%', overflow: 'hidden' },
  fit: { position: 'absolute', right: 0, bottom: 0 },
});
