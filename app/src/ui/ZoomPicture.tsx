import { useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { GestureDetector, GestureHandlerRootView } from 'react-native-gesture-handler';
import { zoomedTo } from '@stennet/core/drawing';
import { commonText } from '@/language/common';
import { BigButton } from './BigButton';
import { fitScale, useZoomPan } from './useZoomPan';

interface Props {
  uri: string;
  /** In pixels. */
  width: number;
  height: number;
  /** What someone who cannot see it is told. */
  label: string;
}

/** A picture in the box it is put in; pinched or doubled it grows, dragged it moves. */
export function ZoomPicture({ uri, width, height, label }: Props) {
  const [size, setSize] = useState({ width: 1, height: 1 });
  const whole = { x: 0, y: 0, width, height, shapes: [] };
  // As wide as the box: what is higher than it is dragged into sight.
  const wider = size.width / width / fitScale(whole, size);
  const first = zoomedTo(whole, wider, { x: width / 2, y: 0 });
  const { shown, gesture, isHeld, zoomBy } = useZoomPan(whole, first, size, uri);
  const scale = fitScale(shown, size);
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
                left: (size.width - shown.width * scale) / 2 - shown.x * scale,
                top: (size.height - shown.height * scale) / 2 - shown.y * scale,
                width: width * scale,
                height: height * scale,
              }}
            />
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
  keys: { position: 'absolute', right: 8, bottom: 8, flexDirection: 'row', gap: 8 },
});
