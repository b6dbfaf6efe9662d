import type { Position } from '../joint';
import type { Group, Sheet, Stage } from '../procedure';

/** Joints to learn on: made up, small, and short to tighten. They belong to no engine. */
type Made = Pick<Sheet, 'id' | 'title' | 'kind' | 'stages'> & {
  places: readonly Position[];
  bolts: Omit<Group, 'id' | 'head' | 'compounds'>;
  openings?: Sheet['pattern']['openings'];
};

const EDGE = 22;

function sheetOf({ places, bolts, openings = [], ...of }: Made): Sheet {
  const [xs, ys] = [places.map((p) => p.xMm), places.map((p) => p.yMm)];
  const [left, right] = [Math.min(...xs) - EDGE, Math.max(...xs) + EDGE];
  const [low, high] = [Math.min(...ys) - EDGE, Math.max(...ys) + EDGE];
  return {
    format: 'stennet-sheet',
    v: 2,
    revision: 'A',
    invented: true,
    status: 'approved',
    applies: {
      maker: 'Practice',
      model: 'Practice joint',
      engine: 'none',
      hardware: { origin: 'original' },
    },
    tellApart: [],
    source: {
      title: 'Practice joints',
      publisher: 'Stennet (invented)',
      page: of.id,
      revision: '1',
      date: '2026-11-28',
      condition: 'oiled with engine oil',
    },
    pattern: {
      outline: [
        [left, low],
        [right, low],
        [right, high],
        [left, high],
      ],
      openings: [...openings],
      landmarks: [{ side: 'left', text: 'front' }],
      positions: [...places],
    },
    seats: places.map(({ label }) => ({ id: label, position: label, group: 'bolts' })),
    groups: [
      {
        id: 'bolts',
        head: 'hex',
        compounds: [{ kind: 'engine oil', place: 'threads' }],
        ...bolts,
      },
    ],
    steps: [],
    clocks: [],
    takeApart: [],
    after: [],
    requires: [],
    conflicts: [],
    cautions: ['Practice only: these values belong to no engine.'],
    ...of,
  };
}

const rectangle = (xMm: number, yMm: number): Position[] => [
  { label: '1', xMm: 0, yMm },
  { label: '2', xMm, yMm: 0 },
  { label: '3', xMm, yMm },
  { label: '4', xMm: 0, yMm: 0 },
];
const twoRows = (spacing: number, y: number): Position[] => [
  { label: '1', xMm: spacing, yMm: y },
  { label: '2', xMm: spacing, yMm: 0 },
  { label: '3', xMm: 2 * spacing, yMm: y },
  { label: '4', xMm: 0, yMm: 0 },
  { label: '5', xMm: 0, yMm: y },
  { label: '6', xMm: 2 * spacing, yMm: 0 },
];
/** Labeled as they are tightened: across, and across again. */
const RING_ORDER = [0, 4, 2, 6, 1, 5, 3, 7];
const ring = (radius: number): Position[] =>
  RING_ORDER.map((at, i) => ({
    label: String(i + 1),
    xMm: Math.round(radius * Math.sin((at * Math.PI) / 4) * 10) / 10,
    yMm: Math.round(radius * Math.cos((at * Math.PI) / 4) * 10) / 10,
  }));

const torque = (value: number, purpose: Stage['purpose'], more: Partial<Stage> = {}): Stage => ({
  id: `t${value}`,
  name: `${value} N·m`,
  on: ['all'],
  order: { rule: 'listed' },
  action: 'torque',
  target: { value, unit: 'N.m' },
  ...(purpose ? { purpose } : {}),
  ...more,
});
const angle = (value: number, more: Partial<Stage> = {}): Stage => ({
  id: `a${value}`,
  name: `+${value}°`,
  on: ['all'],
  action: 'angle',
  target: { value, unit: 'deg' },
  tolerance: { plus: 5, minus: 5 },
  ...more,
});

const M8 = { designation: 'M8', pitchMm: 1.25 };
const M10 = { designation: 'M10', pitchMm: 1.5 };
const OILED = {
  friction: 'engine oil on threads and under heads',
  frictionCondition: 'engineOil',
} as const;

export const PRACTICE_SHEETS = {
  cover: sheetOf({
    id: 'practice-cover',
    title: 'Practice cover, four bolts',
    kind: 'practice',
    places: rectangle(110, 70),
    bolts: {
      name: 'Cover bolts',
      thread: M8,
      propertyClass: '8.8',
      socket: 'hex 13 mm',
      lengthMm: 40,
      gripLengthMm: 25,
      under: 'aluminum',
      reuse: 'reuse',
      ...OILED,
    },
    stages: [torque(20, 'final')],
  }),
  cap: sheetOf({
    id: 'practice-cap',
    title: 'Practice cap, four bolts',
    kind: 'practice',
    places: rectangle(96, 64),
    openings: [{ xMm: 48, yMm: 32, radiusMm: 20 }],
    bolts: {
      name: 'Cap bolts',
      thread: M10,
      propertyClass: '10.9',
      socket: 'hex 16 mm',
      lengthMm: 90,
      gripLengthMm: 70,
      under: 'castIron',
      reuse: 'replace',
      onReplace: 'single',
      ...OILED,
    },
    stages: [torque(30, 'snug'), angle(90, { entersYield: true, purpose: 'final' })],
  }),
  flange: sheetOf({
    id: 'practice-flange',
    title: 'Practice flange, eight bolts',
    kind: 'practice',
    places: ring(70),
    openings: [{ xMm: 0, yMm: 0, radiusMm: 45 }],
    bolts: {
      name: 'Flange bolts',
      thread: M8,
      propertyClass: '8.8',
      socket: 'hex 13 mm',
      lengthMm: 45,
      gripLengthMm: 28,
      under: 'aluminum',
      gasket: 'metal',
      reuse: 'reuse',
      ...OILED,
    },
    stages: [
      torque(18, 'seal', {
        repeat: { kind: 'untilSettled', maxPasses: 6, movedMoreThanDeg: 5 },
      }),
    ],
  }),
  housing: sheetOf({
    id: 'practice-housing',
    title: 'Practice housing, six bolts on a soft gasket',
    kind: 'practice',
    places: twoRows(80, 70),
    bolts: {
      name: 'Housing bolts',
      thread: M8,
      propertyClass: '8.8',
      socket: 'hex 13 mm',
      lengthMm: 45,
      gripLengthMm: 28,
      under: 'aluminum',
      gasket: 'soft',
      reuse: 'reuse',
      ...OILED,
    },
    stages: [
      torque(18, 'seal'),
      {
        id: 'set',
        name: 'Let the gasket set, 15 min',
        on: ['all'],
        action: 'wait',
        waitUntil: { minutes: 15 },
      },
      torque(19, 'final', { repeat: { kind: 'passes', passes: 2 } }),
    ],
  }),
  head: sheetOf({
    id: 'practice-head',
    title: 'Practice head, six bolts',
    kind: 'practice',
    places: twoRows(95, 110),
    openings: [
      { xMm: 48, yMm: 55, radiusMm: 34 },
      { xMm: 142, yMm: 55, radiusMm: 34 },
    ],
    bolts: {
      name: 'Head bolts',
      thread: M10,
      propertyClass: '10.9',
      socket: 'hex 16 mm, deep',
      lengthMm: 142,
      gripLengthMm: 118,
      under: 'castIron',
      gasket: 'metal',
      reuse: 'replace',
      onReplace: 'single',
      ...OILED,
    },
    stages: [torque(40, 'snug'), angle(75), angle(65, { entersYield: true, purpose: 'final' })],
  }),
} as const satisfies Record<string, Sheet>;

export type PracticeSheet = keyof typeof PRACTICE_SHEETS;
