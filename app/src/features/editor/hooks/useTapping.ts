import { useState } from 'react';
import { addPlaces, movePlace } from '@stennet/core/draft';
import type { Sheet } from '@stennet/core/procedure';
import type { PictureMark } from '@/ui/work';
import type { Editor } from './useEditor';
import type { Pages } from './usePages';
import { withGroup } from './usePlacing';

/** So wide is a page on the map, whatever is drawn on it. */
const PAGE_MM = 400;
const DOT_PX = 26;

export interface Tapping {
  isOn: boolean;
  /** The number of the bolt that is tapped next. */
  next: number;
  flip: () => void;
  marks: readonly PictureMark[];
  tap: (at: { x: number; y: number }) => void;
}

/** Bolts tapped on the picture in the order of their numbers: each goes to its place on the map. */
export function useTapping(pages: Pages, { draft, change }: Editor): Tapping {
  const page = pages.shown[Math.min(pages.at, pages.shown.length - 1)];
  /** null: not tapping; else how many were tapped. */
  const [count, setCount] = useState<number | null>(null);
  const { width = 1, height = 1 } = page ?? {};
  const mmPerPx = PAGE_MM / width;
  const numbers = numbersOf(draft);
  const marks = numbers.slice(0, count ?? 0).map(({ label, xMm, yMm }) => ({
    x: xMm / mmPerPx + width / 2 - DOT_PX / 2,
    y: height / 2 - yMm / mmPerPx - DOT_PX / 2,
    width: DOT_PX,
    height: DOT_PX,
    number: label,
  }));
  return {
    isOn: count !== null && page !== undefined,
    next: (count ?? 0) + 1,
    flip: () => setCount(count === null ? 0 : null),
    marks,
    tap: ({ x, y }: { x: number; y: number }): void => {
      const at = { xMm: (x - width / 2) * mmPerPx, yMm: (height / 2 - y) * mmPerPx };
      const placed = numbers[count ?? 0];
      setCount((n) => (n ?? 0) + 1);
      change((d) => {
        // A line has put it somewhere already.
        if (placed) return movePlace(d, placed.label, at);
        const [sheet, group] = withGroup(d);
        return addPlaces(sheet, [at], group);
      });
    },
  };
}

/** Places by their number; others come last, as they stand. */
const numbersOf = ({ pattern }: Sheet) =>
  [...pattern.positions].sort(
    (a, b) => (Number(a.label) || Infinity) - (Number(b.label) || Infinity),
  );
