import { useRef, useState } from 'react';
import { Gesture, type GestureType } from 'react-native-gesture-handler';
import { zoomedTo, type Drawing } from '@stennet/core/drawing';

interface Size {
  width: number;
  height: number;
}
interface Held {
  zoom: number;
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
 */
export function useZoomPan(whole: Drawing, shown: Drawing, size: Size, of = '') {
  const [kept, setKept] = useState<Held | null>(null);
  const held = kept?.of === of ? kept : null;
  const now = held ? zoomedTo(whole, held.zoom, held) : shown;
  const from = useRef({ zoom: 1, x: 0, y: 0, focusX: 0, focusY: 0 });
  /** A press that moved or pinched is no tap. */
  const hasMoved = useRef(false);
  const begin = (focusX: number, focusY: number): void => {
    const scale = fitScale(now, size);
    const [x, y] = [now.x + now.width / 2, now.y + now.height / 2];
    from.current = {
      zoom: whole.width / now.width,
      x,
      y,
      focusX: x + (focusX - size.width / 2) / scale,
      focusY: y + (focusY - size.height / 2) / scale,
    };
    hasMoved.current = true;
  };
  const pinch = Gesture.Pinch()
    .runOnJS(true)
    .onStart((e) => begin(e.focalX, e.focalY))
    .onUpdate((e) => {
      const { zoom: was, focusX, focusY } = from.current;
      const zoom = Math.min(MOST, Math.max(1, was * e.scale));
      const scale = fitScale({ width: whole.width / zoom, height: whole.height / zoom }, size);
      setKept({
        zoom,
        x: focusX - (e.focalX - size.width / 2) / scale,
        y: focusY - (e.focalY - size.height / 2) / scale,
        of,
      });
    })
    .onEnd(() => setKept((k) => (k && k.zoom > HARDLY ? k : null)));
  const pan = Gesture.Pan()
    .runOnJS(true)
    .enabled(now !== whole)
    .minDistance(8)
    .onStart(() => begin(size.width / 2, size.height / 2))
    .onUpdate((e) => {
      const { zoom, x, y } = from.current;
      const scale = fitScale({ width: whole.width / zoom, height: whole.height / zoom }, size);
      setKept({ zoom, x: x - e.translationX / scale, y: y - e.translationY / scale, of });
    });
  return {
    shown: now,
    isHeld: held !== null,
    letGo: () => setKept(null),
    /** By a button: round the middle of what is shown. */
    enlarge: (by: number) =>
      setKept({
        zoom: Math.min(MOST, Math.max(1, (whole.width / now.width) * by)),
        x: now.x + now.width / 2,
        y: now.y + now.height / 2,
        of,
      }),
    hasMoved,
    gesture: Gesture.Simultaneous(pinch, pan) as unknown as GestureType,
  };
}
