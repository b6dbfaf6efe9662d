import { useMemo, useState } from 'react';
import { Gesture } from 'react-native-gesture-handler';
import { zoomedTo, type Drawing } from '@stennet/core/drawing';
import { useSteady } from './useSteady';

interface Size {
  width: number;
  height: number;
}
interface Held {
  zoom: number;
  /** The middle of what is shown. */
  x: number;
  y: number;
  /** What it was held over; when that changes, the hand has let go. */
  of: string;
}

const MOST = 6;
/** Less than this much larger is as it was. */
const HARDLY = 1.05;

/** How many pixels one unit of a drawing takes in its box. */
export const fitScale = (drawing: Size, size: Size): number =>
  Math.min(size.width / drawing.width, size.height / drawing.height);

/**
 * A drawing made larger by a pinch and moved by a drag.
 * @param shown what of the whole is shown as long as no one holds it
 * @param of what the drawing is about now: a new one takes the view back to `shown`
 * @param onTap where in the drawing it was tapped, and how many pixels a unit takes there
 */
export function useZoomPan(
  whole: Drawing,
  shown: Drawing,
  size: Size,
  of = '',
  onTap?: (at: { x: number; y: number }, scale: number) => void,
) {
  const [kept, setKept] = useState<Held | null>(null);
  const held = kept?.of === of ? kept : null;
  const now = held ? zoomedTo(whole, held.zoom, held) : shown;
  const scaleAt = (zoom: number): number => fitScale(whole, size) * zoom;
  const start = (was: Held | null): Held =>
    was?.of === of
      ? was
      : {
          zoom: whole.width / shown.width,
          x: shown.x + shown.width / 2,
          y: shown.y + shown.height / 2,
          of,
        };
  /** Larger, so that what is under the fingers stays there. */
  const zoomBy = (by: number, focusX = size.width / 2, focusY = size.height / 2): void =>
    setKept((was) => {
      const k = start(was);
      const zoom = Math.min(MOST, Math.max(1, k.zoom * by));
      const shift = 1 / scaleAt(k.zoom) - 1 / scaleAt(zoom);
      const x = k.x + (focusX - size.width / 2) * shift;
      const y = k.y + (focusY - size.height / 2) * shift;
      return { zoom, x, y, of };
    });
  const moveBy = (x: number, y: number): void =>
    setKept((was) => {
      const k = start(was);
      return { ...k, x: k.x - x / scaleAt(k.zoom), y: k.y - y / scaleAt(k.zoom) };
    });
  const tapAt = (atX: number, atY: number): void => {
    const scale = fitScale(now, size);
    const x = now.x + now.width / 2 + (atX - size.width / 2) / scale;
    const y = now.y + now.height / 2 + (atY - size.height / 2) / scale;
    onTap?.({ x, y }, scale);
  };
  const letGo = (): void => setKept((k) => (k && k.zoom > HARDLY ? k : null));
  const gesture = useGesture(
    { zoomBy, moveBy, tapAt, letGo },
    { mayPan: now !== whole, mayTap: onTap !== undefined },
  );
  return {
    shown: now,
    isHeld: held !== null,
    letGo: () => setKept(null),
    zoomBy,
    gesture,
  };
}

interface Moves {
  zoomBy: (by: number, focusX: number, focusY: number) => void;
  moveBy: (x: number, y: number) => void;
  tapAt: (x: number, y: number) => void;
  letGo: () => void;
}

/** One gesture for as long as the same is allowed; what it does is what was drawn last. */
function useGesture(moves: Moves, { mayPan, mayTap }: { mayPan: boolean; mayTap: boolean }) {
  const zoomBy = useSteady(moves.zoomBy);
  const moveBy = useSteady(moves.moveBy);
  const tapAt = useSteady(moves.tapAt);
  const letGo = useSteady(moves.letGo);
  return useMemo(() => {
    const pinch = Gesture.Pinch()
      .runOnJS(true)
      .onChange((e) => zoomBy(e.scaleChange, e.focalX, e.focalY))
      .onEnd(() => letGo());
    const pan = Gesture.Pan()
      .runOnJS(true)
      .enabled(mayPan)
      .minDistance(8)
      .onChange((e) => moveBy(e.changeX, e.changeY));
    const tap = Gesture.Tap()
      .runOnJS(true)
      .enabled(mayTap)
      .onEnd((e) => tapAt(e.x, e.y));
    return Gesture.Simultaneous(pinch, pan, tap);
  }, [mayPan, mayTap, zoomBy, moveBy, tapAt, letGo]);
}
