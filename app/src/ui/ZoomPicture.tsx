import { useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { Text } from 'react-native-paper';
import { GestureDetector, GestureHandlerRootView } from 'react-native-gesture-handler';
import { zoomedTo } from '@stennet/core/drawing';
import { commonText } from '@/language/common';
import { BigButton } from './BigButton';
import { useInks } from './theme';
import { fitScale, useZoomPan } from './useZoomPan';

interface Props {
  uri: string;
  /** In pixels. */
  width: number;
  height: number;
  /** What someone who cannot see it is told. */
  label: string;
  /** Places that are pointed at, in its pixels. */
  marks?: readonly PictureMark[];
  onTap?: (at: { x: number; y: number }) => void;
}

/** A frame round a printed value, or a numbered dot; the strong one is looked at. */
export interface PictureMark {
  x: number;
  y: number;
  width: number;
  height: number;
  strong?: boolean;
  number?: string;
}
const NO_MARKS: readonly PictureMark[] = [];

/** A picture in the box it is put in; pinched or doubled it grows, dragged it moves. */
export function ZoomPicture({ uri, width, height, label, marks = NO_MARKS, onTap }: Props) {
  const inks = useInks();
  const [size, setSize] = useState({ width: 1, height: 1 });
  const whole = { x: 0, y: 0, width, height, shapes: [] };
  // As wide as the box: what is higher than it is dragged into sight.
  const wider = size.width / width / fitScale(whole, size);
  // What is pointed at comes into sight; else the top of the page.
  const strong = marks.find((m) => m.strong);
  const eye = strong ? strong.y + strong.height / 2 : 0;
  const first = zoomedTo(whole, wider, { x: width / 2, y: eye });
  const about = `${uri.slice(-40)} ${eye}`;
  const { shown, gesture, isHeld, zoomBy } = useZoomPan(whole, first, size, about, onTap);
  const scale = fitScale(shown, size);
  const left = (size.width - shown.width * scale) / 2 - shown.x * scale;
  const top = (size.height - shown.height * scale) / 2 - shown.y * scale;
  return (
    <View
      style={styles.box}
      onLayout={({ nativeEvent: { layout } }) =>
        setSize({ width: Math.max(1, layout.width), height: Math.max(1, layout.height) })
      }
    >
      <GestureHandlerRootView style={styles.box}>
        <GestureDetector gesture={gesture} touchAction={isHeld || wider > 1 ? 'none' : 'pan-y'}>
          <View style={styles.box}>
            <Image
              source={{ uri }}
              accessibilityLabel={label}
              resizeMode="stretch"
              style={{
                position: 'absolute',
                left,
                top,
                width: width * scale,
                height: height * scale,
              }}
            />
            {marks.map((m, i) => (
              <View
                key={i}
                aria-hidden
                style={[
                  styles.mark,
                  {
                    left: left + m.x * scale - 3,
                    top: top + m.y * scale - 3,
                    width: m.width * scale + 6,
                    height: m.height * scale + 6,
                    borderColor: m.strong ? inks.brand : inks.paint,
                    borderWidth: m.strong ? 4 : 2,
                    borderRadius: m.number ? 99 : 4,
                  },
                ]}
              >
                {m.number ? (
                  <Text style={[styles.number, { color: inks.brand }]}>{m.number}</Text>
                ) : null}
              </View>
            ))}
          </View>
        </GestureDetector>
      </GestureHandlerRootView>
      <View style={styles.keys}>
        <BigButton
          text="−"
          label={commonText.shrink}
          look="quiet"
          size="desk"
          disabled={shown === whole}
          onPress={() => zoomBy(1 / 1.5)}
        />
        <BigButton
          text="+"
          label={commonText.enlarge}
          look="quiet"
          size="desk"
          onPress={() => zoomBy(1.5)}
        />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  box: { width: '100%', height: '100%', overflow: 'hidden' },
  mark: { position: 'absolute', alignItems: 'center', justifyContent: 'center' },
  number: { fontSize: 14, fontWeight: '700' },
  keys: { position: 'absolute', right: 8, bottom: 8, flexDirection: 'row', gap: 8 },
});
