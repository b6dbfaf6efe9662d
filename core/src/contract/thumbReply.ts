import * as v from 'valibot';
import type { JointThumb } from '../drawing/jointThumb';
import type { Ink } from '../drawing/shapes';

const n = v.number();
const ink = v.custom<Ink>((x) => typeof x === 'string');
const style = { fill: ink, stroke: ink, width: n };

/** A joint small enough for a list; the drawing itself is made by the server. */
export const ThumbSchema: v.GenericSchema<unknown, JointThumb> = v.object({
  drawing: v.object({
    x: n,
    y: n,
    width: n,
    height: n,
    shapes: v.array(
      v.variant('kind', [
        v.object({ kind: v.literal('path'), d: v.string(), ...style }),
        v.object({ kind: v.literal('circle'), x: n, y: n, r: n, ...style }),
      ]),
    ),
  }),
  r: n,
  seats: v.array(v.object({ seat: v.string(), x: n, y: n })),
});
