import type { Position } from '../joint';
import type { Sheet, Stage } from '../procedure';

/** Where a new place goes, in mm. */
export interface Point {
  xMm: number;
  yMm: number;
}

const EDGE_MM = 24;
/** Finer than a hand can place, coarser than rounding. */
const mm = (value: number): number => Math.round(value * 10) / 10;

/**
 * Rows of places, the first at the top left; the pattern's middle is at 0, 0.
 * @param spacingMm along a row
 * @param rowsMm from row to row
 */
export function rowsOfPlaces({
  count,
  rows,
  spacingMm,
  rowsMm,
}: {
  count: number;
  rows: number;
  spacingMm: number;
  rowsMm: number;
}): Point[] {
  const perRow = Math.ceil(count / rows);
  return Array.from({ length: count }, (_, i) => ({
    xMm: mm(((i % perRow) - (perRow - 1) / 2) * spacingMm),
    yMm: mm(((rows - 1) / 2 - Math.floor(i / perRow)) * rowsMm),
  }));
}

/** A circle of places, clockwise, the first at so many degrees from the top. */
export function circleOfPlaces({
  count,
  diameterMm,
  startDeg,
}: {
  count: number;
  diameterMm: number;
  startDeg: number;
}): Point[] {
  return Array.from({ length: count }, (_, i) => {
    const a = ((startDeg + (360 / count) * i) * Math.PI) / 180;
    return { xMm: mm((Math.sin(a) * diameterMm) / 2), yMm: mm((Math.cos(a) * diameterMm) / 2) };
  });
}

/** New places, numbered on from the highest number there is, one fastener of the group in each. */
export function addPlaces(sheet: Sheet, points: readonly Point[], group: string): Sheet {
  const highest = Math.max(
    0,
    ...sheet.pattern.positions.map((p) => Number(p.label)).filter(Number.isInteger),
  );
  const added = points.map((p, i): Position => ({
    label: String(highest + 1 + i),
    xMm: mm(p.xMm),
    yMm: mm(p.yMm),
  }));
  return outlined(sheet, {
    ...sheet,
    pattern: { ...sheet.pattern, positions: [...sheet.pattern.positions, ...added] },
    seats: [...sheet.seats, ...added.map((p) => ({ id: p.label, position: p.label, group }))],
  });
}

export function movePlace(sheet: Sheet, label: string, to: Point): Sheet {
  const positions = sheet.pattern.positions.map((p) =>
    p.label === label ? { ...p, xMm: mm(to.xMm), yMm: mm(to.yMm) } : p,
  );
  return outlined(sheet, { ...sheet, pattern: { ...sheet.pattern, positions } });
}

/**
 * Without these places: whatever named them names them no more. A stage left without any is asked
 * for by the checks.
 */
export function removePlaces(sheet: Sheet, labels: readonly string[]): Sheet {
  const gone = new Set([
    ...labels,
    ...sheet.seats.filter((s) => labels.includes(s.position)).map((s) => s.id),
  ]);
  const left = (names: readonly string[]): string[] => names.filter((n) => !gone.has(n));
  const kept = {
    ...renamed(sheet, left),
    seats: sheet.seats
      .filter((s) => !gone.has(s.id))
      .map((s) => (s.neighbours ? { ...s, neighbours: left(s.neighbours) } : s)),
    pattern: {
      ...sheet.pattern,
      positions: sheet.pattern.positions.filter((p) => !gone.has(p.label)),
    },
  };
  return outlined(sheet, kept);
}

/**
 * The places tapped one after the other become 1, 2, 3 …; those not tapped follow in the order they
 * had.
 */
export function numberPlaces(sheet: Sheet, tapped: readonly string[]): Sheet {
  const labels = [
    ...tapped,
    ...sheet.pattern.positions.map((p) => p.label).filter((l) => !tapped.includes(l)),
  ];
  const names = new Map(labels.map((label, i) => [label, String(i + 1)]));
  for (const seat of sheet.seats) {
    // 7s on position 7 stays the stud of whatever 7 is called now.
    const suffix = seat.id.startsWith(seat.position) ? seat.id.slice(seat.position.length) : '';
    names.set(seat.id, `${names.get(seat.position) ?? seat.position}${suffix}`);
  }
  const name = (old: string): string => names.get(old) ?? old;
  const next = renamed(sheet, (list) => list.map(name));
  const positions = sheet.pattern.positions
    .map((p) => ({ ...p, label: name(p.label) }))
    .sort((a, b) => Number(a.label) - Number(b.label));
  const seats = sheet.seats.map((s) => ({
    ...s,
    id: name(s.id),
    position: name(s.position),
    ...(s.neighbours ? { neighbours: s.neighbours.map(name) } : {}),
  }));
  const placeOf = new Map(positions.map((p, i) => [p.label, i]));
  return {
    ...next,
    pattern: { ...sheet.pattern, positions },
    seats: seats.sort((a, b) => (placeOf.get(a.position) ?? 0) - (placeOf.get(b.position) ?? 0)),
  };
}

/** These places hold fasteners of that group. */
export function assignGroup(sheet: Sheet, labels: readonly string[], group: string): Sheet {
  return {
    ...sheet,
    seats: sheet.seats.map((s) => (labels.includes(s.position) ? { ...s, group } : s)),
  };
}

/**
 * A stud and its nut in each of these places: 7 becomes 7s and 7n. Stages that name place 7 mean
 * both; the nut keeps the group that was there.
 * @param studs the group of the studs
 */
export function studAndNut(sheet: Sheet, labels: readonly string[], studs: string): Sheet {
  const seats = sheet.seats.flatMap((s) =>
    labels.includes(s.position) && s.id === s.position
      ? [
          { ...s, id: `${s.position}s`, group: studs },
          { ...s, id: `${s.position}n` },
        ]
      : [s],
  );
  return { ...sheet, seats };
}

/** Every list that names places, changed alike. */
function renamed(sheet: Sheet, change: (names: readonly string[]) => string[]): Sheet {
  const stage = <S extends Stage>(s: S): S => ({
    ...s,
    on: change(s.on),
    ...(s.order
      ? {
          order: {
            ...s.order,
            ...(s.order.labels ? { labels: change(s.order.labels) } : {}),
            ...(s.order.start ? { start: change([s.order.start])[0] } : {}),
          },
        }
      : {}),
  });
  return {
    ...sheet,
    stages: sheet.stages.map(stage),
    takeApart: sheet.takeApart.map(stage),
    after: sheet.after.map((a) => (a.stages ? { ...a, stages: a.stages.map(stage) } : a)),
    steps: sheet.steps.map((s) => ({
      ...s,
      ...(s.on ? { on: change(s.on) } : {}),
      ...(s.covers ? { covers: change(s.covers) } : {}),
    })),
  };
}

/** A plain outline grows with its places; one that someone drew is left alone. */
function outlined(before: Sheet, after: Sheet): Sheet {
  const was = boxRound(before.pattern.positions);
  const isPlain =
    before.pattern.outline.length === 0 ||
    JSON.stringify(before.pattern.outline) === JSON.stringify(was);
  return isPlain
    ? { ...after, pattern: { ...after.pattern, outline: boxRound(after.pattern.positions) } }
    : after;
}

function boxRound(positions: readonly Position[]): [number, number][] {
  if (positions.length === 0) return [];
  const xs = positions.map((p) => p.xMm);
  const ys = positions.map((p) => p.yMm);
  const [left, right, low, high] = [
    Math.min(...xs) - EDGE_MM,
    Math.max(...xs) + EDGE_MM,
    Math.min(...ys) - EDGE_MM,
    Math.max(...ys) + EDGE_MM,
  ].map(mm) as [number, number, number, number];
  return [
    [left, low],
    [right, low],
    [right, high],
    [left, high],
  ];
}
