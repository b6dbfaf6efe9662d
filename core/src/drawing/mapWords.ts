import type { Sheet } from '../procedure';
import { boxOf, type Box } from './outline';
import { NEXT_IS_LARGER, number, place, type NameSpot, type SeatMark } from './seatShapes';
import { label, type Words } from './shapes';

export interface MapNames {
  /**
   * What a seat is called on this map, nothing for one that is not named. Empty: the permanent
   * labels.
   */
  numbers: Readonly<Record<string, string>>;
  /**
   * Its place in the order, as a second and smaller mark; left out where it says the same as the
   * name.
   */
  ordinals?: Readonly<Record<string, string>>;
}

/** The map of a phone in pixels, and the smallest words that are read there at arm's length. */
const PHONE = { width: 358, height: 210 };
const NAME_PX = 12;
const LANDMARK_PX = 11;

/**
 * How high words are, mm: a fastener's name goes with its head, and is large enough on a phone.
 * @param r radius of a fastener's head, mm
 */
export function wordSizes(box: Box, r: number): { name: number; landmark: number } {
  // With the room that words take above and below.
  const pixel = Math.max(
    (box.right - box.left) / PHONE.width,
    (box.high - box.low + r * 4.1) / PHONE.height,
  );
  return {
    name: Math.min(Math.max(r * 1.15, NAME_PX * pixel), r * 1.7),
    landmark: LANDMARK_PX * pixel,
  };
}

/** How far up and down the names of the fasteners reach, mm; y runs up. */
export interface Reach {
  above: number;
  below: number;
}

export function namesReach(
  { pattern }: Sheet,
  spots: ReadonlyMap<string, NameSpot>,
  r: number,
  name: number,
): Reach {
  const ends = pattern.positions.map(({ label: at, yMm }) => {
    const beyond = (spots.get(at)?.off ?? r * 2.1) + name * NEXT_IS_LARGER;
    return { above: yMm + beyond, below: yMm - beyond };
  });
  return {
    above: Math.max(...ends.map((e) => e.above)),
    below: Math.min(...ends.map((e) => e.below)),
  };
}

/**
 * What the fasteners are called, and their places in the order. A stud and its nut are in one
 * place: the one that is next is said, or the place.
 */
export function seatNames(
  sheet: Sheet,
  marks: Readonly<Record<string, SeatMark>>,
  { numbers, ordinals }: MapNames,
  spots: ReadonlyMap<string, NameSpot>,
  r: number,
  size: number,
): Words[] {
  const isPlain = Object.keys(numbers).length === 0;
  return sheet.pattern.positions.flatMap(({ label: position, xMm, yMm }) => {
    const named = sheet.seats.flatMap(({ id, position: at }) => {
      const said = isPlain ? id : numbers[id];
      return at === position && marks[id] && said !== undefined ? [{ id, said }] : [];
    });
    const next = named.find(({ id }) => marks[id]?.next);
    const said = next?.said ?? (named.length > 1 ? position : named[0]?.said);
    if (said === undefined) return [];
    const at = { x: xMm, y: -yMm };
    const spot = spots.get(position);
    if (!spot) return [];
    const name = number(at, spot, next !== undefined, said, size);
    const ordinal = named.map(({ id }) => ordinals?.[id]).find((o) => o !== undefined);
    return ordinal && Number.parseInt(ordinal, 10) !== Number(said)
      ? [name, place(at, r, ordinal, spot.above)]
      : [name];
  });
}

/**
 * What helps to find one's way, outside of the names.
 * @param least how high letters are at least, mm, where the words have room for it
 */
export function landmarks(sheet: Sheet, names: Reach, r: number, least: number): Words[] {
  const box = boxOf(sheet);
  const width = box.right - box.left;
  const { landmarks: all } = sheet.pattern;
  const usual = Math.min(r * 0.82, width * 0.075);
  const room = (all.some((l) => l.side === 'top') ? 1 : 1 / all.length) * width;
  return all.map(({ side, text }) => {
    const size = Math.max(usual, Math.min(least, room / (text.length * 0.6)));
    const low = Math.max(-box.low + r * 2.5, -names.below + size);
    const at = (x: number, said: string, anchor: 'start' | 'end'): Words =>
      label({ x, y: low }, size, said, 'quiet', { anchor });
    if (side === 'left') return at(box.left, `← ${text}`, 'start');
    if (side === 'right') return at(box.right, `${text} →`, 'end');
    if (side === 'bottom') return at(box.right, `↓ ${text}`, 'end');
    const high = Math.max(box.high + r * 0.4, names.above + size * 0.3);
    return label({ x: (box.left + box.right) / 2, y: -high }, size, text, 'quiet');
  });
}
