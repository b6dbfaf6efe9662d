import { isSettling, type Part, type Sheet, type Stage } from '../procedure';
import { convert, units, type Quantity } from '../quantity';
import { circle, path, polyline, wedge, type Drawing, type Ink, type Shape } from './shapes';

/** Where a run stands on the ribbon. */
export interface RibbonPlace {
  stage: number;
  /** Share of the stage's fasteners done in this pass, 0 to 1. */
  share: number;
}

const SLOT = 100;
const BASE_Y = 62;
const TALLEST = 46;
const RADIUS = 42;

/**
 * The whole procedure on one strip, to scale: torques as bars against the highest, angles as wedges
 * of their true angle, slackening the other way, a loop where a stage goes round until it has
 * settled, and a sign for whatever is no pull. Words stand beside it, not in it.
 * @returns a drawing 100 units wide per stage; y runs down
 */
export function stageRibbon(sheet: Pick<Sheet, 'stages'>, place: RibbonPlace | null): Drawing {
  const highest = Math.max(
    ...sheet.stages.flatMap((s) => [torqueNm(s), ...(s.each ?? []).map(torqueNm)]),
    1,
  );
  const width = SLOT * sheet.stages.length;
  const shapes: Shape[] = [path(`M0 ${BASE_Y}H${width}`, 'none', 'partEdge', 1.5)];
  for (const [index, stage] of sheet.stages.entries()) {
    const done = place !== null && index < place.stage;
    const now = place !== null && index === place.stage;
    const look: Look = {
      fill: now ? 'brand' : done ? 'paint' : 'none',
      edge: now ? 'brand' : done ? 'paint' : 'quiet',
    };
    const x = SLOT * (index + 0.5);
    shapes.push(...signOf(stage, x, highest, look));
    if (isSettling(stage) || stage.repeat?.kind === 'untilSeated')
      shapes.push(...loop(x + 20, look.edge));
    if (stage.repeat?.kind === 'passes') shapes.push(...twice(x, look.edge));
    if (now) shapes.push(...progressLine(index, place.share));
  }
  return { x: 0, y: 8, width, height: BASE_Y + 4, shapes };
}

interface Look {
  fill: Ink;
  edge: Ink;
}

/** The value that is drawn: a range by its upper end. */
const drawn = (of: Stage | Part): Quantity | null =>
  of.target
    ? 'value' in of.target
      ? of.target
      : { value: of.target.max, unit: of.target.unit }
    : null;
function torqueNm(of: Stage | Part): number {
  const q = drawn(of);
  return q && units[q.unit].kind === 'torque' ? convert(q, 'N.m') : 0;
}

/**
 * Signs of what is no pull, as strokes: points from the middle of the slot, y down from the base
 * line.
 */
const STROKES: Partial<Record<Stage['action'], readonly string[]>> = {
  stretch: ['-9,-8 -9,-40 9,-40 9,-8', '0,-34 0,-14', '-4,-19 0,-13 4,-19'],
  turnCrank: ['-8,-12 -2,-6 -9,-1'],
  draw: ['-20,-14 20,-14', '-20,-40 20,-40', '0,-40 0,-20', '-5,-25 0,-19 5,-25'],
  handStart: ['0,-42 0,-8', '-7,-16 0,-7 7,-16'],
  runDown: ['0,-42 0,-8', '-7,-16 0,-7 7,-16', '-7,-28 0,-19 7,-28'],
  drawDown: ['0,-42 0,-8', '-7,-16 0,-7 7,-16', '-7,-28 0,-19 7,-28'],
  check: ['-6,-20 -1,-14 7,-27'],
  swap: ['-2,-40 8,-40 4,-44'],
  hold: ['-22,-10 -22,-38', '22,-10 22,-38'],
  wait: ['0,-34 0,-24 7,-20'],
  do: ['-8,-24 8,-24'],
};

function signOf(stage: Stage, x: number, highest: number, look: Look): Shape[] {
  const strokes = (STROKES[stage.action] ?? []).map((points) => line(points, x, look.edge));
  return [...bodyOf(stage, x, highest, look), ...strokes];
}

function bodyOf(stage: Stage, x: number, highest: number, look: Look): Shape[] {
  const { edge } = look;
  switch (stage.action) {
    case 'torque':
      return [bar(x, (torqueNm(stage) / highest) * TALLEST, look)];
    case 'check':
      return [bar(x, (torqueNm(stage) / highest) * TALLEST, { ...look, fill: 'none' })];
    case 'angle':
      return [turn(x, drawn(stage)?.value ?? 0, look)];
    case 'loosen':
      return [
        turn(
          x,
          stage.loosen === 'crack'
            ? -20
            : typeof stage.loosen === 'object'
              ? -stage.loosen.degrees
              : -359,
          { ...look, fill: 'none' },
        ),
        arrowBack(x, edge),
      ];
    case 'each':
      return (stage.each ?? []).flatMap((part, i, all) =>
        partSign(part, x + (i - (all.length - 1) / 2) * 30, highest, look),
      );
    case 'swap':
      return [
        circle({ x: x - 10, y: BASE_Y - 22 }, 9, 'none', edge, 2),
        circle({ x: x + 12, y: BASE_Y - 22 }, 9, look.fill, edge, 2),
      ];
    case 'hold':
      return [line('-22,-24 22,-24', x, edge, 7)];
    case 'wait':
      return [circle({ x, y: BASE_Y - 24 }, 16, 'none', edge, 2.5)];
    case 'turnCrank':
      return [
        path(`M${x - 16} ${BASE_Y - 18}a16 16 0 1 1 14 12`, 'none', edge, 2.5, { round: true }),
      ];
    case 'do':
      return [path(`M${x - 14} ${BASE_Y - 38}h28v28h-28Z`, look.fill, edge, 2)];
    default:
      return [];
  }
}

function partSign(part: Part, x: number, highest: number, look: Look): Shape[] {
  if (part.action === 'torque') return [bar(x, (torqueNm(part) / highest) * TALLEST, look)];
  if (part.action === 'angle')
    return [
      path(
        wedge({ x, y: BASE_Y - 4 }, RADIUS * 0.6, 0, drawn(part)?.value ?? 0),
        look.fill,
        look.edge,
        2,
      ),
    ];
  return ['0,-30 0,-8', '-5,-14 0,-7 5,-14'].map((points) => line(points, x, look.edge));
}

/** A wedge of the true angle; slackening the other way. */
function turn(x: number, deg: number, look: Look): Shape {
  const isWide = Math.abs(deg) > 100;
  const centre = { x: deg < 0 ? x + 14 : x - 14, y: BASE_Y - (isWide ? 24 : 4) };
  return path(wedge(centre, isWide ? RADIUS * 0.55 : RADIUS, 0, deg), look.fill, look.edge, 2);
}

function bar(x: number, height: number, { fill, edge }: Look): Shape {
  const h = Math.max(height, 4);
  return path(
    `M${x - 10} ${BASE_Y}V${BASE_Y - h + 3}q0 -3 3 -3h14q3 0 3 3V${BASE_Y}Z`,
    fill,
    edge,
    2,
  );
}

function line(points: string, x: number, edge: Ink, width = 2.5): Shape {
  const at = points.split(' ').map((pair) => pair.split(',').map(Number));
  const shifted = at.map(([dx, dy]) => ({ x: x + (dx ?? 0), y: BASE_Y + (dy ?? 0) }));
  return path(polyline(shifted, false), 'none', edge, width, { round: true });
}

/** Slackened: an arrow against the turn. */
const arrowBack = (x: number, edge: Ink): Shape => line('-6,-41 -12,-35 -4,-31', x, edge);

/** Goes round until it has settled. */
const loop = (x: number, edge: Ink): Shape[] => [
  path(`M${x} ${BASE_Y - 21}a8 8 0 1 1 -2 13`, 'none', edge, 2.2, { round: true }),
  line('-7,-11 -2,-8 -4,-3', x, edge, 2.2),
];

/** So many passes: one stroke beside another. */
const twice = (x: number, edge: Ink): Shape[] =>
  ['26,-8 26,-20', '32,-8 32,-20'].map((points) => line(points, x, edge, 2.2));

function progressLine(index: number, share: number): Shape[] {
  const from = SLOT * index + 8;
  const length = SLOT - 16;
  const y = BASE_Y + 7;
  return [
    path(`M${from} ${y}h${length}`, 'none', 'partEdge', 4, { round: true }),
    ...(share > 0
      ? [path(`M${from} ${y}h${length * share}`, 'none', 'brand', 4, { round: true })]
      : [circle({ x: from, y }, 2, 'brand')]),
  ];
}
