import type { JointThumb, Shape } from '@stennet/core/drawing';
import { View } from 'react-native';
import { DrawingView } from './DrawingView';

interface Props {
  /** Undefined while it is on its way: its space is kept. */
  thumb: JointThumb | undefined;
  width: number | `${number}%`;
  height: number;
  label: string;
  /** The seat that is next: a ring. */
  next?: string | null;
  /** Done in the pass that is on: a dot. */
  done?: readonly string[];
}

/** A joint small: its outline, its fasteners, and where the work is. */
export function Thumb({ thumb, width, height, label, next = null, done = [] }: Props) {
  if (!thumb) return <View style={{ width, height }} />;
  const { drawing, r, seats } = thumb;
  const signs = seats.flatMap(({ seat, x, y }): Shape[] => [
    ...(done.includes(seat)
      ? [
          {
            kind: 'circle',
            x,
            y,
            r: r * 0.45,
            fill: 'ink',
            stroke: 'none',
            width: 0,
          } as const,
        ]
      : []),
    ...(seat === next
      ? [
          {
            kind: 'circle',
            x,
            y,
            r: r * 1.5,
            fill: 'none',
            stroke: 'brand',
            width: r * 0.4,
          } as const,
        ]
      : []),
  ]);
  const room = next === null ? 0 : r;
  return (
    <DrawingView
      drawing={{
        x: drawing.x - room,
        y: drawing.y - room,
        width: drawing.width + 2 * room,
        height: drawing.height + 2 * room,
        shapes: [...drawing.shapes, ...signs],
      }}
      label={label}
      width={width}
      height={height}
    />
  );
}
