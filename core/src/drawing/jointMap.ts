import { AS_DRAWN, viewedFrom, type MapView } from '../joint';
import { groupOf, isOn, type Sheet } from '../procedure';
import { fastenerId, seatIdOf, type Deviation, type Progress, type SeatProgress } from '../run';
import { headRadius, seatShapes, place, number, type SeatMark } from './seatShapes';
import { circle, label, path, polyline, type Drawing, type Point, type Shape } from './shapes';

export interface JointMapOptions {
  /** Thumbnails carry no words. */
  words: boolean;
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
  /** How the technician stands to the part. */
  view?: MapView;
}

/** The signs of every seat, from what a run has done. */
export function seatMarks(
  sheet: Sheet,
  progress: Progress,
  nextFastener: string | null,
): Record<string, SeatMark> {
  const off = new Set(
    progress.deviations
      .filter((d: Deviation) => d.fastener && d.kind !== 'replaced')
      .map((d) => d.fastener),
  );
  return Object.fromEntries(
    Object.values(progress.seats).map((s) => {
      const mark: SeatMark = {
        stripeDeg: stripeOf(sheet, progress, s),
        dot: progress.inPass[s.seat]
          ? 'done'
          : progress.lastPass[s.seat]?.moved
            ? 'movedLast'
            : null,
        next: nextFastener !== null && seatIdOf(nextFastener) === s.seat,
        deviation: off.has(fastenerId(s.seat, s.life)),
        stopped: s.failed !== null || s.leftOut,
        held: isHeld(progress, fastenerId(s.seat, s.life)),
        out: isOut(sheet, progress, s),
      };
      return [s.seat, mark];
    }),
  );
}

const isHeld = ({ hold, claims }: Progress, fastener: string): boolean =>
  (hold !== null && 'fastener' in hold && hold.fastener === fastener) ||
  claims.some((c) => c.fastener === fastener);

/**
 * What an earlier run left in, and this one took out; a bolt that is only slackened in the meantime
 * stays in its hole.
 */
function isOut(sheet: Sheet, progress: Progress, seat: SeatProgress): boolean {
  if (seat.fitted !== 'asLeft' || seat.leftOut) return false;
  return sheet.stages.some(
    (stage, i) =>
      stage.loosen === 'free' &&
      isOn(sheet, i, seat.seat) &&
      (seat.done[stage.id] === true ||
        (i === progress.stage && progress.inPass[seat.seat] !== undefined)),
  );
}

/**
 * Drawn in line by each torque, turned by angles, turned back by slackening; null before the first
 * torque.
 */
function stripeOf(sheet: Sheet, progress: Progress, seat: SeatProgress): number | null {
  let deg: number | null = seat.marked ? 0 : null;
  for (const [index, stage] of sheet.stages.entries()) {
    const isHere =
      index === progress.stage &&
      (progress.inPass[seat.seat] !== undefined ||
        progress.lastPass[seat.seat] !== undefined ||
        seat.parts > 0);
    const isPulled = isHere || seat.done[stage.id] === true;
    if (
      isPulled &&
      (stage.action === 'torque' || stage.action === 'stretch' || stage.action === 'each')
    )
      deg = 0;
    for (const key of [stage.id, ...(stage.each ?? []).map((part) => `${stage.id}.${part.id}`)])
      deg = seat.turnedDeg[key] ? (deg ?? 0) + (seat.turnedDeg[key] ?? 0) : deg;
  }
  return deg;
}

/**
 * The part as it lies before the technician, to scale (mm), with every fastener and what has
 * happened to it.
 * @returns plain shapes; y runs down
 */
export function jointMap(
  whole: Sheet,
  marks: Readonly<Record<string, SeatMark>>,
  options: JointMapOptions,
): Drawing {
  const sheet = seenSheet(whole, options.view);
  const box = boxOf(sheet);
  const r = headRadius(sheet);
  const shapes: Shape[] = [
    ...partShapes(sheet, r),
    ...sheet.seats.flatMap((seat) => {
      const position = sheet.pattern.positions.find((p) => p.label === seat.position);
      const mark = marks[seat.id];
      if (!position || !mark) return [];
      const at = { x: position.xMm, y: -position.yMm };
      const signs = seatShapes(at, r, mark, groupOf(sheet, seat).head);
      const above = position.yMm > (box.low + box.high) / 2;
      const said = Object.keys(options.numbers).length === 0 ? seat.id : options.numbers[seat.id];
      const ordinal = options.ordinals?.[seat.id];
      const second =
        ordinal && Number.parseInt(ordinal, 10) !== Number(said)
          ? [place(at, r, ordinal, above)]
          : [];
      return options.words && said !== undefined
        ? [...signs, number(at, r, mark.next, said, above), ...second]
        : signs;
    }),
    ...(options.words ? landmarks(sheet, box, r) : []),
  ];
  // Numbers stand outside the rows of fasteners, landmarks below them.
  const highest = Math.max(...sheet.pattern.positions.map((p) => p.yMm));
  const [side, above, below] = options.words
    ? [r * 0.3, Math.max(r * 1.2, highest + r * 3.6 - box.high), r * 2.9]
    : [r * 0.3, r * 0.3, r * 0.3];
  return {
    x: box.left - side,
    y: -box.high - above,
    width: box.right - box.left + 2 * side,
    height: box.high - box.low + above + below,
    shapes,
  };
}

const seenSheet = (sheet: Sheet, view: MapView = AS_DRAWN): Sheet => ({
  ...sheet,
  pattern: viewedFrom(sheet.pattern, view),
});

/** Where each seat lies in the map's own coordinates, for a tap on it. */
export function mapPlaces(
  sheet: Sheet,
  view: MapView = AS_DRAWN,
): { seat: string; x: number; y: number }[] {
  const { positions } = viewedFrom(sheet.pattern, view);
  return sheet.seats.flatMap((seat) => {
    const at = positions.find((p) => p.label === seat.position);
    return at ? [{ seat: seat.id, x: at.xMm, y: -at.yMm }] : [];
  });
}

/** A part of the drawing, so many times larger, round one place; never beyond its edges. */
export function zoomedTo(drawing: Drawing, zoom: number, at: Point | null): Drawing {
  if (zoom <= 1) return drawing;
  const [width, height] = [drawing.width / zoom, drawing.height / zoom];
  const within = (middle: number, size: number, from: number, whole: number): number =>
    Math.min(Math.max(middle - size / 2, from), from + whole - size);
  const middle = at ?? { x: drawing.x + drawing.width / 2, y: drawing.y + drawing.height / 2 };
  return {
    ...drawing,
    x: within(middle.x, width, drawing.x, drawing.width),
    y: within(middle.y, height, drawing.y, drawing.height),
    width,
    height,
  };
}

/** The part itself: its outline and its openings. @param r radius of a fastener's head, mm */
export const partShapes = ({ pattern }: Sheet, r: number): Shape[] => [
  path(
    polyline(
      pattern.outline.map(([x, y]) => ({ x, y: -y })),
      true,
    ),
    'part',
    'partEdge',
    r * 0.08,
  ),
  ...pattern.openings.map((o) =>
    circle({ x: o.xMm, y: -o.yMm }, o.radiusMm, 'opening', 'partEdge', r * 0.05),
  ),
];

interface Box {
  left: number;
  right: number;
  low: number;
  high: number;
}

/** How far the outline reaches, mm; y runs up. */
export function boxOf(sheet: Sheet): Box {
  const xs = sheet.pattern.outline.map(([x]) => x);
  const ys = sheet.pattern.outline.map(([, y]) => y);
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    low: Math.min(...ys),
    high: Math.max(...ys),
  };
}

function landmarks(sheet: Sheet, box: Box, r: number): Shape[] {
  const y = -box.low + r * 2.5;
  const size = Math.min(r * 0.82, (box.right - box.left) * 0.075);
  return sheet.pattern.landmarks.map((l) => {
    if (l.side === 'left')
      return label({ x: box.left, y }, size, `← ${l.text}`, 'quiet', { anchor: 'start' });
    if (l.side === 'right')
      return label({ x: box.right, y }, size, `${l.text} →`, 'quiet', { anchor: 'end' });
    if (l.side === 'bottom')
      return label({ x: box.right, y }, size, `↓ ${l.text}`, 'quiet', { anchor: 'end' });
    return label({ x: (box.left + box.right) / 2, y: -box.high - r * 0.4 }, size, l.text, 'quiet');
  });
}
