import { useState } from 'react';
import { Pressable, StyleSheet, View, type LayoutChangeEvent } from 'react-native';
import { measuredDrawing, type DrawnRow } from '@stennet/core/drawing';
import type { MeasureKindId } from '@stennet/core/measure';
import { DrawingView } from '../DrawingView';
import { text } from './text';

interface Props {
  kind: MeasureKindId;
  rows: readonly DrawnRow[];
  limits: { min?: number; max?: number };
  current: number;
  /** Left out: only looked at. */
  onPlace?: (row: number) => void;
}

const TARGET = 44;

/**
 * What is measured, drawn; each place can be tapped to go there. The same places stand in the list
 * below.
 */
export function Drawn({ kind, rows, limits, current, onPlace }: Props) {
  const [size, setSize] = useState({ width: 0, height: 0 });
  const { drawing, places } = measuredDrawing(kind, rows, current, limits);
  const done = rows.filter((r) => r.mm !== null).length;
  const scale = Math.min(size.width / drawing.width, size.height / drawing.height) || 0;
  const left = (size.width - drawing.width * scale) / 2;
  const top = (size.height - drawing.height * scale) / 2;
  const onLayout = (e: LayoutChangeEvent): void => setSize(e.nativeEvent.layout);
  return (
    <View style={styles.box} onLayout={onLayout}>
      <DrawingView
        drawing={drawing}
        label={text.drawing({ title: text.kinds[kind].title, done, of: rows.length })}
        width="100%"
        height="100%"
      />
      {onPlace
        ? places.map((p) => (
            <Pressable
              key={p.row}
              aria-hidden
              tabIndex={-1}
              onPress={() => onPlace(p.row)}
              style={[
                styles.place,
                { left: left + p.x * scale - TARGET / 2, top: top + p.y * scale - TARGET / 2 },
              ]}
            />
          ))
        : null}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { height: 200, width: '100%' },
  place: { position: 'absolute', width: TARGET, height: TARGET },
});
