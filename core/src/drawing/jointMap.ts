import { AS_DRAWN, viewedFrom, type MapView } from '../joint';
import { groupOf, isOn, type Sheet } from '../procedure';
import { fastenerId, seatIdOf, type Deviation, type Progress, type SeatProgress } from '../run';
import { fastenerHead, type Head } from './fastenerHead';
import {
  circle,
  label,
  path,
  polar,
  polyline,
  type Drawing,
  type Point,
  type Shape,
} from './shapes';

/** One sign, one meaning: what the map says of a fastener. */
export interface SeatMark {
  /** A stripe is painted; turned by what was really turned. */
  stripeDeg: number | null;
  /** Done in this pass; open when it still moved in the last one. */
  dot: 'done' | 'movedLast' | null;
  next: boolean;
  deviation: boolean;
  stopped: boolean;
  /** The run waits for an answer about it. */
  held: boolean;
  /** Taken out: the hole is empty. */
  out: boolean;
}

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

/**
 * Heads are drawn larger than they are, as large as their neighbours allow: they are signs, the
 * places are to scale.
 */
const HEAD_SHARE = 0.21;
const SMALLEST_HEAD_MM = 5;
const LARGEST_HEAD_MM = 34;

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
 * What an earlier run left in, and this one took out; a bolt that is only slackened meanwhile stays
 * in its hole.
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
    path(
      polyline(
        sheet.pattern.outline.map(([x, y]) => ({ x, y: -y })),
        true,
      ),
      'part',
      'partEdge',
      r * 0.08,
    ),
    ...sheet.pattern.openings.map((o) =>
      circle({ x: o.xMm, y: -o.yMm }, o.radiusMm, 'opening', 'partEdge', r * 0.05),
    ),
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

function headRadius(sheet: Sheet): number {
  const { positions } = sheet.pattern;
  let nearest = Infinity;
  for (const [i, a] of positions.entries()) {
    for (const b of positions.slice(i + 1))
      nearest = Math.min(nearest, Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm));
  }
  return Math.min(LARGEST_HEAD_MM, Math.max(SMALLEST_HEAD_MM, nearest * HEAD_SHARE));
}

function seatShapes(at: Point, r: number, mark: SeatMark, head: Head): Shape[] {
  const seat = circle(at, r * 1.3, 'part', 'headEdge', r * 0.06);
  const shapes: Shape[] = mark.out
    ? [seat, circle(at, r * 0.62, 'opening', 'headEdge', r * 0.1)]
    : [seat, ...fastenerHead(head, at, r, mark.stripeDeg ?? 0)];
  if (mark.stripeDeg !== null) shapes.push(...stripe(at, r, mark.stripeDeg));
  if (mark.next) shapes.push(circle(at, r * 1.72, 'none', 'brand', r * 0.26));
  if (mark.stopped) shapes.push(...cross(at, r));
  if (mark.held)
    shapes.push(
      path(
        polyline([polar(at, r * 1.7, 90), polar(at, r * 1.7, 270)], false),
        'none',
        'warn',
        r * 0.3,
        { round: true },
      ),
    );
  if (mark.deviation)
    shapes.push(
      path(
        polyline([polar(at, r * 1.4, 128), polar(at, r * 2.1, 116), polar(at, r * 2.1, 140)], true),
        'warn',
      ),
    );
  if (mark.dot)
    shapes.push(
      circle(
        polar(at, r * 1.3, 180),
        r * 0.32,
        mark.dot === 'done' ? 'ink' : 'paper',
        'ink',
        r * 0.12,
      ),
    );
  return shapes;
}

function number(at: Point, r: number, isNext: boolean, text: string, above: boolean): Shape {
  const size = isNext ? r * 1.45 : r * 1.15;
  const y = above ? at.y - r * 2.1 : at.y + r * 2.1 + size * 0.72;
  return label({ x: at.x, y }, size, text, isNext ? 'brand' : 'ink', { bold: isNext, mono: true });
}

/** Opposite the name, so that the two are never read as one. */
function place(at: Point, r: number, text: string, above: boolean): Shape {
  const size = r * 0.72;
  return label(
    { x: at.x, y: above ? at.y + r * 1.85 + size * 0.72 : at.y - r * 1.85 },
    size,
    text,
    'quiet',
    {},
  );
}

/** The part on the casting stays, the part on the head turns with the fastener. */
function stripe(at: Point, r: number, turnedDeg: number): Shape[] {
  const line = (from: Point, to: Point): Shape =>
    path(polyline([from, to], false), 'none', 'paint', r * 0.3, { round: true });
  const shapes = [
    line(polar(at, r * 1.3, 0), polar(at, r * 1.72, 0)),
    line(at, polar(at, r * 0.9, turnedDeg)),
  ];
  if (Math.abs(turnedDeg) >= 360) shapes.push(circle(at, r * 0.3, 'none', 'paint', r * 0.14));
  return shapes;
}

function cross(at: Point, r: number): Shape[] {
  return [45, 135].map((deg) =>
    path(
      polyline([polar(at, r * 1.4, deg), polar(at, r * 1.4, deg + 180)], false),
      'none',
      'warn',
      r * 0.28,
      { round: true },
    ),
  );
}

interface Box {
  left: number;
  right: number;
  low: number;
  high: number;
}

function boxOf(sheet: Sheet): Box {
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
      return label({ x: box.right, y }, size, `${l.text} below`, 'quiet', { anchor: 'end' });
    return label({ x: (box.left + box.right) / 2, y: -box.high - r * 0.4 }, size, l.text, 'quiet');
  });
}
