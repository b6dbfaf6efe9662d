import { demoSheet, demoSheets, headSheet, Technician } from '../testing';
import { next } from '../run';
import {
  fastenerSide,
  flatsOf,
  jointMap,
  mapPlaces,
  seatMarks,
  stageRibbon,
  turnDial,
  zoomedTo,
  type Drawing,
} from '.';

const inside = (d: Drawing): boolean =>
  d.shapes.every(
    (s) =>
      s.kind === 'path' ||
      (s.x >= d.x && s.x <= d.x + d.width && s.y >= d.y && s.y <= d.y + d.height),
  );

describe('joint map', () => {
  const marksAt = (steps: number): ReturnType<typeof seatMarks> => {
    const t = new Technician(headSheet);
    for (let i = 0; i < steps; i += 1) t.step();
    const due = next(t.state);
    return seatMarks(t.state.sheet, t.state.progress, due.kind === 'pull' ? due.fastener : null);
  };

  test('marks the next one by a ring, those done in this pass by a dot, those that moved by an open dot', () => {
    const marks = marksAt(6);
    expect(marks['1']).toMatchObject({ dot: 'done', next: false, stripeDeg: 0 });
    expect(marks['3']).toMatchObject({ dot: null, next: true, stripeDeg: null });
    expect(marksAt(15)['5']).toMatchObject({ dot: 'movedLast', stripeDeg: 0 });
  });

  test('turns the stripe by what was really turned', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'pull' && d.stage.id === 'second-angle');
    t.step({ turnedDeg: 64 });
    expect(seatMarks(t.state.sheet, t.state.progress, null)['1']?.stripeDeg).toBe(139);
  });

  test('a bar across what waits for an answer, a cross on what failed, an empty hole where one came out', () => {
    const held = new Technician(headSheet);
    held.until((d) => d.kind === 'pull' && d.stage.id === 'first-angle');
    held.step({ turnedDeg: 160 });
    expect(seatMarks(held.state.sheet, held.state.progress, null)['1']).toMatchObject({
      held: true,
      stopped: false,
    });
    const broke = new Technician(headSheet);
    broke.until((d) => d.kind === 'pull');
    broke.step({ fails: 'broke' });
    expect(seatMarks(broke.state.sheet, broke.state.progress, null)['1']).toMatchObject({
      held: false,
      stopped: true,
    });
    const apart = new Technician(demoSheet('ob20-bell-housing'), undefined, { part: 'takeApart' });
    apart.until((d) => d.kind === 'step' && d.step.kind === 'rest');
    const marks = seatMarks(apart.state.sheet, apart.state.progress, null);
    expect([marks['1']?.out, marks['5']?.out]).toEqual([true, false]);
    const heads = (seats: typeof marks): number =>
      jointMap(apart.state.sheet, seats, { words: false, numbers: {} }).shapes.length;
    expect(heads(marks)).toBeLessThan(
      heads(Object.fromEntries(Object.entries(marks).map(([id, m]) => [id, { ...m, out: false }]))),
    );
  });

  test('turned and mirrored it stays in its box, a tap finds what is drawn there, and larger it keeps the next one in sight', () => {
    for (const quarters of [0, 1, 2, 3] as const) {
      for (const mirrored of [false, true]) {
        const view = { quarters, mirrored };
        const map = jointMap(headSheet, marksAt(6), { words: true, numbers: {}, view });
        expect(inside(map)).toBe(true);
        const at = mapPlaces(headSheet, view).find((p) => p.seat === '3');
        expect(
          map.shapes.some(
            (s) => s.kind === 'circle' && s.stroke === 'brand' && s.x === at?.x && s.y === at.y,
          ),
        ).toBe(true);
        const near = zoomedTo(map, 2.4, at ?? null);
        expect(near.width).toBeCloseTo(map.width / 2.4, 9);
        expect(
          at &&
            at.x >= near.x &&
            at.x <= near.x + near.width &&
            at.y >= near.y &&
            at.y <= near.y + near.height,
        ).toBe(true);
        expect(near.x >= map.x && near.x + near.width <= map.x + map.width + 1e-9).toBe(true);
      }
    }
  });

  test('lies within its box, with and without words', () => {
    for (const words of [true, false]) {
      const map = jointMap(headSheet, marksAt(20), { words, numbers: {} });
      expect(inside(map)).toBe(true);
      expect(map.shapes.some((s) => s.kind === 'text')).toBe(words);
    }
  });
});

describe('ribbon and dial', () => {
  test('draws torques to scale against the highest', () => {
    const tops = stageRibbon(headSheet, null)
      .shapes.flatMap((s) => (s.kind === 'path' ? [/V([\d.]+)q/.exec(s.d)?.[1]] : []))
      .filter(Boolean)
      .map(Number);
    const [low, high] = tops.map((y) => 62 - y + 3);
    expect((low ?? 0) / (high ?? 1)).toBeCloseTo(27 / 50, 6);
  });

  test('fills what is done and what is now', () => {
    const fills = stageRibbon(headSheet, { stage: 1, share: 0.5 }).shapes.flatMap((s) =>
      s.kind === 'path' && s.fill !== 'none' ? [s.fill] : [],
    );
    expect(fills).toEqual(['paint', 'brand']);
  });

  test('says an angle in flats of a hexagon', () => {
    expect(flatsOf(75)).toEqual({ whole: 1, quarters: 1, off: 0 });
    // Fifty degrees are no three quarters of a flat: the five that are left over are said.
    expect(flatsOf(50)).toEqual({ whole: 0, quarters: 3, off: 5 });
    expect(flatsOf(180)).toEqual({ whole: 3, quarters: 0, off: 0 });
    expect(inside(turnDial(75, 30, 'hex'))).toBe(true);
  });
});

test('the stripe shows turning and nothing else: none by hand, in line after a torque, back by slackening', () => {
  const t = new Technician(demoSheet('tf25-head'));
  const stripe = (): number | null | undefined =>
    seatMarks(t.state.sheet, t.state.progress, null)['2']?.stripeDeg;
  t.until((d) => d.kind === 'pull');
  expect(stripe()).toBeNull();
  t.step();
  expect(stripe()).toBe(0);
  t.until((d) => d.kind === 'pull' && d.stage.id === 'back2');
  expect(stripe()).toBe(-180);
  t.until((d) => d.kind === 'pull' && d.stage.id === 'inner');
  // Turned back a whole turn, then drawn again by the torque after it.
  expect(stripe()).toBe(0);
  t.step();
  expect(stripe()).toBe(90);
  const plate = new Technician(demoSheet('tf25-pressure-plate'));
  plate.until((d) => d.kind === 'hold');
  expect(
    Object.values(seatMarks(plate.state.sheet, plate.state.progress, null)).every(
      (m) => m.stripeDeg === null,
    ),
  ).toBe(true);
});

test('the ribbon draws every action of the demo sheets', () => {
  for (const sheet of demoSheets) {
    const ribbon = stageRibbon(sheet, { stage: 0, share: 0.5 });
    expect(ribbon.width).toBe(100 * sheet.stages.length);
    expect(JSON.stringify(ribbon)).not.toMatch(/NaN|undefined|null/);
  }
});

describe('a fastener from the side', () => {
  const [bolts] = headSheet.groups;
  if (!bolts) throw new Error('no bolts');

  test('letters each compound at its place, and says what the letters mean', () => {
    for (const group of demoSheets.flatMap((s) => s.groups)) {
      const { drawing, words } = fastenerSide(group);
      expect(inside(drawing)).toBe(true);
      expect(words).toHaveLength(group.compounds.length);
      expect(drawing.shapes.filter((s) => s.kind === 'text')).toHaveLength(group.compounds.length);
      expect(JSON.stringify(drawing)).not.toMatch(/NaN|undefined|null/);
    }
  });

  test('coats as much of the thread as is to be coated, and leans two compounds on one place differently', () => {
    const widest = (lengthMm: number | undefined): number => {
      const { drawing } = fastenerSide({
        ...bolts,
        lengthMm: 100,
        compounds: [{ kind: 'thread sealant', place: 'threads', lengthMm }],
      });
      const box = drawing.shapes.find(
        (s) => s.kind === 'path' && s.stroke === 'ink' && s.width === 1.4,
      );
      const xs = [...(box?.kind === 'path' ? box.d : '').matchAll(/[ML]([\d.]+) /g)].map((m) =>
        Number(m[1]),
      );
      return Math.max(...xs) - Math.min(...xs);
    };
    expect(widest(20)).toBeCloseTo(2 * widest(10), 5);
    const strokes = (place: 'threads') => {
      const { drawing } = fastenerSide({
        ...bolts,
        compounds: [
          { kind: 'thread-locker', place },
          { kind: 'engine oil', place },
        ],
      });
      return drawing.shapes
        .filter((s) => s.kind === 'path' && s.stroke === 'ink' && s.width === 1)
        .map((s) => (s.kind === 'path' ? s.d : ''));
    };
    const lines = strokes('threads');
    expect(new Set(lines).size).toBe(lines.length);
  });
});
