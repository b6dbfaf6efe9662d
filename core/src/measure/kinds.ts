import { BEARING, BOLT_LENGTH, STRIP } from './boreKinds';
import { FLATNESS, WARP } from './faceKinds';
import { GAP, PROTRUSION, RUN_OUT, STOP_DEPTH, WEAR } from './gaugeKinds';
import { isNumber, type MeasureKind, type Readings } from './kind';
import type { MeasureKindId } from './names';
import { medianOf } from './wear';

export const measureKinds: Readonly<Record<MeasureKindId, MeasureKind>> = {
  flatness: FLATNESS,
  warp: WARP,
  strip: STRIP,
  bearing: BEARING,
  boltLength: BOLT_LENGTH,
  protrusion: PROTRUSION,
  gap: GAP,
  runOut: RUN_OUT,
  wear: WEAR,
  stopDepth: STOP_DEPTH,
};

/** So many times the usual one is a slip of the point or the unit. Defined here. */
const FAR = 5;

/**
 * Values that no one should take for right without a second look: outside what the kind can be, or
 * far from the others of their column.
 */
export function implausible(
  kind: MeasureKind,
  rows: Readings['rows'],
): { row: number; column: number }[] {
  const [least, most] = kind.plausible;
  return rows.flatMap(({ values }, row) =>
    values.flatMap((value, column) => {
      if (value === null) return [];
      const others = rows.flatMap((r, i) =>
        i !== row && isNumber(r.values[column] ?? null) ? [r.values[column] as number] : [],
      );
      const usual = others.length >= 3 ? medianOf(others.map(Math.abs)) : null;
      const isFar = usual !== null && usual > 0 && Math.abs(value) > FAR * usual;
      return value < least || value > most || isFar ? [{ row, column }] : [];
    }),
  );
}
