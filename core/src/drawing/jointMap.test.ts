import { fastenerId, initialState } from '../run';
import type { Sheet } from '../procedure';
import { demoSheet, demoSheets, headSheet } from '../testing';
import { jointMap, mapPlaces, seatMarks } from '.';
import { boxOf, drawnIn } from './outline';

const phone = { width: 358, height: 210 };
const named = (s: Sheet): string => `${s.id} ${s.revision}`;

interface Seen {
  text: string;
  px: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** The words of a map as a phone shows them, in pixels from its top left corner. */
function wordsOnPhone(sheet: Sheet, next: string): Seen[] {
  const { progress } = initialState(sheet);
  const map = jointMap(sheet, seatMarks(sheet, progress, fastenerId(next, 1)), {
    words: true,
    numbers: {},
  });
  const scale = Math.min(phone.width / map.width, phone.height / map.height);
  return map.shapes.flatMap((s) => {
    if (s.kind !== 'text') return [];
    const wide = s.text.length * s.size * 0.52;
    const left = s.x - { start: 0, middle: wide / 2, end: wide }[s.anchor];
    return [
      {
        text: s.text,
        px: s.size * scale,
        left: (left - map.x) * scale,
        right: (left + wide - map.x) * scale,
        top: (s.y - s.size * 0.72 - map.y) * scale,
        bottom: (s.y - map.y) * scale,
      },
    ];
  });
}

/** The edge of the part as a phone shows it: points a pixel apart. */
function edgeOnPhone(whole: Sheet): { x: number; y: number }[] {
  const { sheet } = drawnIn(whole);
  const { progress } = initialState(whole);
  const map = jointMap(whole, seatMarks(whole, progress, fastenerId('', 1)), {
    words: true,
    numbers: {},
  });
  const scale = Math.min(phone.width / map.width, phone.height / map.height);
  const corners = sheet.pattern.outline.map(([x, y]) => ({
    x: (x - map.x) * scale,
    y: (-y - map.y) * scale,
  }));
  return corners.flatMap((a, i) => {
    const b = corners[(i + 1) % corners.length] ?? a;
    const steps = Math.ceil(Math.hypot(b.x - a.x, b.y - a.y));
    return Array.from({ length: steps }, (_, k) => ({
      x: a.x + ((b.x - a.x) * k) / steps,
      y: a.y + ((b.y - a.y) * k) / steps,
    }));
  });
}

test.each(demoSheets.map((s) => [named(s), s] as const))(
  '%s: the edge of the part goes through no name',
  (_name, sheet) => {
    const edge = edgeOnPhone(sheet);
    const crossed = wordsOnPhone(sheet, '').filter((w) =>
      edge.some((p) => p.x > w.left && p.x < w.right && p.y > w.top && p.y < w.bottom),
    );
    expect(crossed.map((w) => w.text)).toEqual([]);
  },
);

const overlap = (a: Seen, b: Seen): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

test.each(demoSheets.map((s) => [named(s), s] as const))(
  '%s: numbers and landmarks can be read on a phone, none is cut off or on another',
  (_name, sheet) => {
    for (const { id } of sheet.seats) {
      const words = wordsOnPhone(sheet, id);
      expect(words.length).toBeGreaterThanOrEqual(sheet.pattern.positions.length);
      expect(words.map((w) => w.text)).toContain(id);
      const wrong = words.filter(
        (w, i) =>
          w.px < 9 ||
          w.left < 0 ||
          w.top < 0 ||
          w.right > phone.width ||
          w.bottom > phone.height ||
          words.slice(i + 1).some((other) => overlap(w, other)),
      );
      expect([id, wrong]).toEqual([id, []]);
    }
  },
);

test('a flywheel’s rim is drawn in round its bolts, with its opening, and dashed; a head is as large as it is', () => {
  const flywheel = demoSheet('ob20-flywheel');
  const near = drawnIn(flywheel);
  const [whole, shown] = [boxOf(flywheel), boxOf(near.sheet)];
  expect(shown.right - shown.left).toBeLessThan((whole.right - whole.left) / 1.9);
  expect(near.sheet.pattern.openings).toEqual(flywheel.pattern.openings);
  for (const { x, y } of mapPlaces(flywheel)) {
    expect(x > shown.left && x < shown.right).toBe(true);
    expect(-y > shown.low && -y < shown.high).toBe(true);
  }
  const edge = (sheet: Sheet) => jointMap(sheet, {}, { words: false, numbers: {} }).shapes[0];
  expect(edge(flywheel)).toHaveProperty('dash');
  expect(drawnIn(headSheet)).toEqual({ sheet: headSheet, isDrawnIn: false });
  expect(edge(headSheet)).not.toHaveProperty('dash');
});

test('fasteners at one edge of a large part leave it as it is', () => {
  const { pattern } = headSheet;
  const wide = pattern.outline.map(([x, y]): [number, number] => [x > 0 ? x * 4 : x, y]);
  const sheet = { ...headSheet, pattern: { ...pattern, outline: wide } };
  expect(drawnIn(sheet).isDrawnIn).toBe(false);
});
