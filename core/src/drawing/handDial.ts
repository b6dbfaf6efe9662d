import { fastenerHead, type Head } from './fastenerHead';
import { circle, path, polar, polyline, wedge, type Drawing, type Shape } from './shapes';

const SIZE = 240;
const CENTER = { x: SIZE / 2, y: SIZE / 2 };
const R = 88;
const HEAD_R = 34;

const drawing = (shapes: Shape[]): Drawing => ({ x: 0, y: 0, width: SIZE, height: SIZE, shapes });

/**
 * The part that a bolt sits in, with ticks every 10°, where its mark was painted, and how far it is
 * to be turned. @param targetDeg null: a torque
 */
export function handDial(targetDeg: number | null): Drawing {
  const ticks = Array.from({ length: 36 }, (_, i): Shape => {
    const isLong = i % 9 === 0;
    return path(
      polyline(
        [polar(CENTER, R + 6, i * 10), polar(CENTER, R + (isLong ? 20 : 12), i * 10)],
        false,
      ),
      'none',
      'quiet',
      isLong ? 4 : 1.5,
    );
  });
  const wanted: Shape[] =
    targetDeg === null
      ? []
      : [
          path(wedge(CENTER, R - 4, 0, targetDeg), 'brandSoft'),
          path(
            polyline(
              [polar(CENTER, HEAD_R + 6, targetDeg), polar(CENTER, R + 20, targetDeg)],
              false,
            ),
            'none',
            'ink',
            3,
            { dash: [3, 5] },
          ),
        ];
  return drawing([
    circle(CENTER, R, 'part', 'partEdge', 3),
    ...ticks,
    ...wanted,
    path(
      polyline([polar(CENTER, HEAD_R + 10, 0), polar(CENTER, HEAD_R + 26, 0)], false),
      'none',
      'paint',
      9,
      { round: true },
    ),
  ]);
}

/** The bolt's head with its own end of the paint mark, where it was put on. */
export const handBolt = (head: Head): Drawing =>
  drawing([
    circle(CENTER, HEAD_R + 6, 'paper', 'headEdge', 1.5),
    ...fastenerHead(head, CENTER, HEAD_R, 0),
    path(polyline([CENTER, polar(CENTER, HEAD_R - 2, 0)], false), 'none', 'paint', 9, {
      round: true,
    }),
  ]);

/** The handle of the wrench, up from the bolt: the same in every pull. */
export const handHandle = (): Drawing =>
  drawing([
    path(
      polyline([polar(CENTER, HEAD_R + 4, 0), polar(CENTER, R + 4, 0)], false),
      'none',
      'headEdge',
      15,
      {
        round: true,
      },
    ),
    path(
      polyline([polar(CENTER, HEAD_R + 4, 0), polar(CENTER, R + 4, 0)], false),
      'none',
      'head',
      11,
      {
        round: true,
      },
    ),
    path(
      polyline([polar(CENTER, R - 6, 0), polar(CENTER, R + 22, 0)], false),
      'none',
      'brand',
      19,
      {
        round: true,
      },
    ),
  ]);

/** One bolt from above: where its mark was painted, and where it stands now. */
export function markedBolt(head: Head, turnedDeg: number | null): Drawing {
  const center = { x: 40, y: 40 };
  const stripe = (from: number, to: number, deg: number): Shape =>
    path(polyline([polar(center, from, deg), polar(center, to, deg)], false), 'none', 'paint', 6, {
      round: true,
    });
  return {
    x: 0,
    y: 0,
    width: 80,
    height: 80,
    shapes: [
      circle(center, 38, 'part', 'partEdge', 1.5),
      ...fastenerHead(head, center, 24, turnedDeg ?? 0),
      ...(turnedDeg === null ? [] : [stripe(28, 36, 0), stripe(2, 22, turnedDeg)]),
    ],
  };
}
