import { AS_DRAWN, viewedFrom, type MapView } from '../joint';
import { groupOf, isOn, type Sheet } from '../procedure';
import { fastenerId, seatIdOf, type Deviation, type Progress, type SeatProgress } from '../run';
import { nameSpots } from './nameSpots';
import { landmarks, namesReach, seatNames, wordSizes, type MapNames } from './mapWords';
import { boxOf, drawnIn, partShapes } from './outline';
import { headRadius, seatShapes, type SeatMark } from './seatShapes';
import type { Drawing, Point, Shape } from './shapes';

export interface JointMapOptions extends MapNames {
  /** Thumbnails carry no words. */
  words: boolean;
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
 * The part as it lies before the technician (mm), with every fastener in its place and what has
 * happened to it.
 * @returns plain shapes; y runs down
 */
export function jointMap(
  whole: Sheet,
  marks: Readonly<Record<string, SeatMark>>,
  options: JointMapOptions,
): Drawing {
  const { sheet, isDrawnIn } = drawnIn(seenSheet(whole, options.view));
  const box = boxOf(sheet);
  const r = headRadius(sheet);
  const sizes = wordSizes(box, r);
  const spots = nameSpots(sheet, r, sizes.name);
  const names = namesReach(sheet, spots, r, sizes.name);
  const marked = options.words ? landmarks(sheet, names, r, sizes.landmark) : [];
  const shapes: Shape[] = [
    ...partShapes(sheet, r, isDrawnIn),
    ...sheet.seats.flatMap((seat) => {
      const position = sheet.pattern.positions.find((p) => p.label === seat.position);
      const mark = marks[seat.id];
      if (!position || !mark) return [];
      const at = { x: position.xMm, y: -position.yMm };
      return seatShapes(at, r, mark, groupOf(sheet, seat).head);
    }),
    ...(options.words ? seatNames(sheet, marks, options, spots, r, sizes.name) : []),
    ...marked,
  ];
  const margin = r * 0.3;
  const [above, below] = options.words
    ? [
        Math.max(r * 1.2, names.above - box.high, ...marked.map((l) => l.size - l.y - box.high)),
        Math.max(
          r * 2.9,
          box.low - names.below,
          ...marked.map((l) => l.y + l.size * 0.3 + box.low),
        ),
      ]
    : [margin, margin];
  return {
    x: box.left - margin,
    y: -box.high - above,
    width: box.right - box.left + 2 * margin,
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
