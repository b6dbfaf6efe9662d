import { useRef, useState } from 'react';
import { StyleSheet, View, type GestureResponderEvent } from 'react-native';
import { Gesture, GestureDetector, GestureHandlerRootView } from 'react-native-gesture-handler';
import Svg, { Circle, G, Path, Text as SvgText } from 'react-native-svg';
import type { Point } from '@stennet/core/draft';
import type { Sheet } from '@stennet/core/procedure';
import { BigButton, MONO, useInks } from '@/ui';
import type { Placing } from '../hooks/usePlacing';
import { text } from '../text';

interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** So near a finger counts as on it, in screen points. */
const REACH = 30;
/** A finger that moved less was a tap. */
const SLIP = 6;

/** The part from above, to scale; places are put, dragged, numbered and chosen on it. */
export function PlaceCanvas({ draft, placing }: { draft: Sheet; placing: Placing }) {
  const view = useRef<View>(null);
  const [size, setSize] = useState({ width: 1, height: 1 });
  // While a finger is down the picture stands still under it.
  const [held, setHeld] = useState<{
    label: string | null;
    box: Box;
    fromX: number;
    fromY: number;
    hasMoved: boolean;
  } | null>(null);
  const { positions } = draft.pattern;
  const [shown, setShown] = useState({ box: boxOf(draft, size), of: '', positions });
  const of = `${size.width} ${size.height}`;
  // The picture stands still while places are put on it; it moves when one lies outside, or its own
  // size changes.
  if (!held && (shown.of !== of || shown.positions !== positions)) {
    const isNew = positions.filter((p) => !shown.positions.includes(p));
    setShown({
      box:
        shown.of !== of || isNew.some((p) => isOutside(p, shown.box))
          ? boxOf(draft, size)
          : shown.box,
      of,
      positions,
    });
  }
  // A bolt under the finger moves over a still picture; between bolts the picture moves.
  const box = held?.label ? held.box : shown.box;
  const zoom = (by: number): void => setShown((s) => ({ ...s, box: zoomed(s.box, by) }));
  const scale = Math.min(size.width / box.width, size.height / box.height);
  const mmAt = (e: GestureResponderEvent): Point & { x: number; y: number } => {
    const frame = (view.current as unknown as HTMLElement | null)?.getBoundingClientRect?.() ?? {
      left: 0,
      top: 0,
    };
    const [x, y] = [
      e.nativeEvent.pageX - frame.left - window.scrollX,
      e.nativeEvent.pageY - frame.top - window.scrollY,
    ];
    return {
      x,
      y,
      xMm: (x - (size.width - box.width * scale) / 2) / scale + box.left,
      yMm: -((y - (size.height - box.height * scale) / 2) / scale + box.top),
    };
  };
  const nearest = (p: Point): string | null => {
    let found: string | null = null;
    let best = REACH / scale;
    for (const q of draft.pattern.positions) {
      const far = Math.hypot(q.xMm - p.xMm, q.yMm - p.yMm);
      if (far < best) [best, found] = [far, q.label];
    }
    return found;
  };
  const pinch = Gesture.Pinch()
    .runOnJS(true)
    .onStart(() => setHeld(null))
    .onChange((e) => zoom(1 / e.scaleChange));
  const down = (e: GestureResponderEvent): void => {
    const p = mmAt(e);
    setHeld({ label: nearest(p), box, fromX: p.x, fromY: p.y, hasMoved: false });
  };
  const move = (e: GestureResponderEvent): void => {
    if (!held) return;
    const p = mmAt(e);
    const hasMoved = held.hasMoved || Math.hypot(p.x - held.fromX, p.y - held.fromY) > SLIP;
    if (hasMoved && !held.hasMoved) setHeld({ ...held, hasMoved });
    if (hasMoved && held.label && placing.mode === 'move') placing.drag(held.label, p);
    else if (hasMoved && !held.label) {
      const by = { x: (p.x - held.fromX) / scale, y: (p.y - held.fromY) / scale };
      setShown((s) => ({
        ...s,
        box: { ...held.box, left: held.box.left - by.x, top: held.box.top - by.y },
      }));
    }
  };
  const up = (e: GestureResponderEvent): void => {
    if (held && !held.hasMoved) {
      if (held.label) placing.tapPlace(held.label);
      else placing.tapEmpty(mmAt(e));
    }
    setHeld(null);
  };
  return (
    <GestureHandlerRootView style={styles.whole}>
      <GestureDetector gesture={pinch} touchAction="none">
        <View
          ref={view}
          role="img"
          aria-label={text.mapLabel({ n: draft.pattern.positions.length })}
          onLayout={(e) =>
            setSize({
              width: Math.max(1, e.nativeEvent.layout.width),
              height: Math.max(1, e.nativeEvent.layout.height),
            })
          }
          onStartShouldSetResponder={() => true}
          onMoveShouldSetResponder={() => true}
          onResponderTerminationRequest={() => false}
          onResponderGrant={down}
          onResponderMove={move}
          onResponderRelease={up}
          onResponderTerminate={() => setHeld(null)}
          style={{ flex: 1, touchAction: 'none', userSelect: 'none', cursor: 'pointer' } as never}
        >
          <Drawn draft={draft} placing={placing} box={box} scale={scale} />
        </View>
      </GestureDetector>
      <Zoom onZoom={zoom} onFit={() => setShown({ box: boxOf(draft, size), of, positions })} />
    </GestureHandlerRootView>
  );
}

function Drawn({
  draft,
  placing,
  box,
  scale,
}: {
  draft: Sheet;
  placing: Placing;
  box: Box;
  scale: number;
}) {
  const r = 11 / scale;
  return (
    <Svg
      width="100%"
      height="100%"
      viewBox={`${box.left} ${box.top} ${box.width} ${box.height}`}
      aria-hidden
    >
      <Outline draft={draft} width={1.5 / scale} />
      {draft.pattern.positions.map((p) => {
        const n = placing.tapped.indexOf(p.label);
        const isOn = n >= 0 || placing.selected.includes(p.label);
        const shownAs = n >= 0 ? String(n + 1) : placing.tapped.length > 0 ? '·' : p.label;
        return (
          <Place key={p.label} at={p} r={r} scale={scale} isOn={isOn} isTapped={n >= 0}>
            {shownAs}
          </Place>
        );
      })}
    </Svg>
  );
}

function Outline({ draft, width }: { draft: Sheet; width: number }) {
  const inks = useInks();
  const { outline, openings } = draft.pattern;
  return (
    <>
      {outline.length > 2 ? (
        <Path
          d={`M${outline.map(([x, y]) => `${x} ${-y}`).join('L')}Z`}
          fill={inks.part}
          stroke={inks.partEdge}
          strokeWidth={width}
        />
      ) : null}
      {openings.map((o) => (
        <Circle
          key={`${o.xMm} ${o.yMm}`}
          cx={o.xMm}
          cy={-o.yMm}
          r={o.radiusMm}
          fill={inks.opening}
          stroke={inks.partEdge}
          strokeWidth={width}
        />
      ))}
    </>
  );
}

const SMALLEST_MM = 480;
const ROOM_MM = 40;

/** As wide as the frame it is in: a tap anywhere on it is a place. */
function boxOf(draft: Sheet, size: { width: number; height: number }): Box {
  const points = [
    ...draft.pattern.outline.map(([x, y]) => [x, -y] as const),
    ...draft.pattern.positions.map((p) => [p.xMm, -p.yMm] as const),
  ];
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const middle = (list: number[]): number =>
    list.length > 0 ? (Math.min(...list) + Math.max(...list)) / 2 : 0;
  const extent = (list: number[]): number =>
    list.length > 0 ? Math.max(...list) - Math.min(...list) + 2 * ROOM_MM : 0;
  const width = Math.max(SMALLEST_MM, extent(xs), (extent(ys) * size.width) / size.height);
  const height = (width * size.height) / size.width;
  return { left: middle(xs) - width / 2, top: middle(ys) - height / 2, width, height };
}

const isOutside = (p: Point, box: Box): boolean =>
  p.xMm < box.left ||
  p.xMm > box.left + box.width ||
  -p.yMm < box.top ||
  -p.yMm > box.top + box.height;

const zoomed = (box: Box, by: number): Box => ({
  left: box.left - (box.width * (by - 1)) / 2,
  top: box.top - (box.height * (by - 1)) / 2,
  width: box.width * by,
  height: box.height * by,
});

const styles = StyleSheet.create({
  whole: { flex: 1 },
  zoom: { position: 'absolute', right: 8, bottom: 8, flexDirection: 'row', gap: 8 },
});

interface PlaceProps {
  at: Point;
  r: number;
  scale: number;
  isOn: boolean;
  isTapped: boolean;
  children: string;
}

function Place({ at, r, scale, isOn, isTapped, children }: PlaceProps) {
  const inks = useInks();
  return (
    <G>
      <Circle
        cx={at.xMm}
        cy={-at.yMm}
        r={r}
        fill={isTapped ? inks.paint : inks.head}
        stroke={isOn ? inks.brand : inks.headEdge}
        strokeWidth={(isOn ? 4 : 1.5) / scale}
      />
      <SvgText
        x={at.xMm}
        y={-at.yMm - r * 1.4}
        fontSize={14 / scale}
        textAnchor="middle"
        fontFamily={MONO}
        fontWeight="700"
        fill={inks.ink}
      >
        {children}
      </SvgText>
    </G>
  );
}

function Zoom({ onZoom, onFit }: { onZoom: (by: number) => void; onFit: () => void }) {
  return (
    <View style={styles.zoom}>
      <BigButton
        text="−"
        label={text.smaller}
        look="quiet"
        size="desk"
        onPress={() => onZoom(1.25)}
      />
      <BigButton
        text="+"
        label={text.larger}
        look="quiet"
        size="desk"
        onPress={() => onZoom(0.8)}
      />
      <BigButton text={text.fit} look="quiet" size="desk" onPress={onFit} />
    </View>
  );
}
