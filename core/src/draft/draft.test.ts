import fc from 'fast-check';
import * as v from 'valibot';
import { orderOf, SheetSchema, type Sheet } from '../procedure';
import { demoSheet, demoSheets, headSheet } from '../testing';
import { emptyDraft as empty } from '../testing/emptyDraft';
import {
  addPlaces,
  assignGroup,
  checkDraft,
  circleOfPlaces,
  copyOf,
  draftOf,
  DraftSchema,
  isApprovable,
  isLater,
  movePlace,
  inOrder,
  nextRevision,
  numberPlaces,
  removePlaces,
  rowsOfPlaces,
  sheetIdFor,
} from '.';

const any = fc.constantFrom(...demoSheets);
const at = (sheet: Sheet, seat: string): string => {
  const p = sheet.pattern.positions.find(
    (q) => q.label === sheet.seats.find((s) => s.id === seat)?.position,
  );
  return `${p?.xMm} ${p?.yMm}`;
};

/** Every place in a document that holds a text, a list or a number. */
function leaves(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  // A point or a pair is no list.
  const isList = Array.isArray(value) && typeof value[0] !== 'number' && path.at(-2) !== 'pairs';
  if (Array.isArray(value))
    return [...(isList ? [path] : []), ...value.flatMap((x, i) => leaves(x, [...path, i]))];
  if (typeof value === 'object' && value !== null)
    return Object.entries(value).flatMap(([k, x]) => leaves(x, [...path, k]));
  return typeof value === 'string' || typeof value === 'number' ? [path] : [];
}

function put(root: unknown, path: readonly (string | number)[], value: unknown): unknown {
  const [head, ...rest] = path;
  if (head === undefined) return value;
  if (Array.isArray(root)) return root.map((x, i) => (i === head ? put(x, rest, value) : x));
  return { ...(root as object), [head]: put((root as Record<string, unknown>)[head], rest, value) };
}

describe('a draft is the same document, not yet whole', () => {
  test('every sheet is one, an empty one too; nothing unknown and nothing longer is let in', () => {
    for (const sheet of demoSheets) expect(v.parse(DraftSchema, sheet)).toEqual(sheet);
    expect(v.parse(DraftSchema, empty)).toEqual(empty);
    const pages = [{ photo: 'ab'.repeat(32), width: 1131, height: 1600 }];
    const withPage = { ...empty, source: { ...empty.source, pages } };
    expect(v.parse(DraftSchema, withPage)).toEqual(withPage);
    expect(v.safeParse(DraftSchema, { ...empty, colour: 'green' }).success).toBe(false);
    expect(v.safeParse(DraftSchema, { ...empty, title: 'x'.repeat(81) }).success).toBe(false);
    expect(v.safeParse(DraftSchema, { ...empty, title: 'a\u0000b' }).success).toBe(false);
    expect(
      v.safeParse(DraftSchema, { ...empty, cautions: Array.from({ length: 13 }, () => 'x') })
        .success,
    ).toBe(false);
    expect(
      v.safeParse(DraftSchema, {
        ...headSheet,
        groups: [{ ...headSheet.groups[0], lengthMm: Infinity }],
      }).success,
    ).toBe(false);
  });

  test('an empty one says what is missing, by its place; a whole one says what the sheet’s own checks say', () => {
    const places = checkDraft(empty).map((f) => f.place);
    expect(places).toEqual(
      expect.arrayContaining(['title', 'source.title', 'seats', 'groups', 'stages']),
    );
    expect(isApprovable(checkDraft(empty))).toBe(false);
    for (const sheet of demoSheets)
      expect(checkDraft(sheet).filter((f) => f.level !== 'note')).toEqual([]);
  });

  test('with any one text, list or number emptied it can still be kept and checked, and is not whole', () => {
    const emptied = any.chain((sheet) =>
      fc.tuple(fc.constant(sheet), fc.constantFrom(...leaves(sheet))),
    );
    fc.assert(
      fc.property(emptied, ([sheet, path]) => {
        const was = path.reduce<unknown>(
          (x, k) => (x as Record<string | number, unknown>)[k],
          sheet,
        );
        const holed = put(
          sheet,
          path,
          Array.isArray(was) ? [] : typeof was === 'string' ? '' : 0,
        ) as Sheet;
        const kept = v.safeParse(DraftSchema, holed);
        // A choice among given words has no empty form.
        if (!kept.success) return expect(typeof was).not.toBe('object');
        const findings = checkDraft(kept.output);
        if (!v.safeParse(SheetSchema, holed).success) expect(isApprovable(findings)).toBe(false);
      }),
      { numRuns: process.env.STENNET_ALL ? 5000 : 300 },
    );
  });

  test('a number out of bounds is said in words', () => {
    const draft = {
      ...headSheet,
      groups: headSheet.groups.map((g) => ({ ...g, thread: { ...g.thread, pitchMm: -1 } })),
    };
    expect(checkDraft(draft)).toContainEqual({
      code: 'malformed',
      level: 'error',
      place: 'groups.0.thread.pitchMm',
      message: '“-1” must be more than 0.',
    });
    expect(
      checkDraft({ ...headSheet, source: { ...headSheet.source, date: '18.3.26' } })[0]?.message,
    ).toBe('“18.3.26” isn’t a date. Write it as 2026-03-18.');
  });
});

describe('revisions and copies', () => {
  test('letters go on, Z to AA', () => {
    expect(['A', 'Z', 'AZ', 'ZZ'].map(nextRevision)).toEqual(['B', 'AA', 'BA', 'AAA']);
    fc.assert(
      fc.property(fc.nat(500), (n) => {
        let r = 'A';
        for (let i = 0; i < n; i += 1) r = nextRevision(r);
        expect(isLater(nextRevision(r), r)).toBe(true);
        expect(isLater(r, r)).toBe(false);
      }),
    );
  });

  test('a new revision forgets by what the old one was superseded; a copy forgets its siblings', () => {
    expect(draftOf(demoSheet('brenna-2-0-head', 'B'), 'D')).toMatchObject({
      revision: 'D',
      status: 'draft',
    });
    expect(draftOf(demoSheet('brenna-2-0-head', 'B'), 'D')).not.toHaveProperty('supersededBy');
    expect(copyOf(demoSheet('ob20-flywheel', 'B'), 'x-1')).toMatchObject({
      id: 'x-1',
      revision: 'A',
      tellApart: [],
      status: 'draft',
    });
    expect(sheetIdFor('OB-20 / Ö', 'flywheel', '0a1b')).toBe('ob-20-flywheel-0a1b');
    expect(sheetIdFor('', '', '0a1b')).toBe('sheet-0a1b');
  });
});

describe('places', () => {
  const held = { ...empty, groups: [{ ...(headSheet.groups[0] as Sheet['groups'][number]) }] };

  test('in rows and on a circle, to scale', () => {
    expect(rowsOfPlaces({ count: 6, rows: 2, spacingMm: 100, rowsMm: 90 })).toEqual([
      { xMm: -100, yMm: 45 },
      { xMm: 0, yMm: 45 },
      { xMm: 100, yMm: 45 },
      { xMm: -100, yMm: -45 },
      { xMm: 0, yMm: -45 },
      { xMm: 100, yMm: -45 },
    ]);
    expect(circleOfPlaces({ count: 4, diameterMm: 80, startDeg: 0 })).toEqual([
      { xMm: 0, yMm: 40 },
      { xMm: 40, yMm: 0 },
      { xMm: 0, yMm: -40 },
      { xMm: -40, yMm: -0 },
    ]);
  });

  test('are numbered on, outlined, moved and taken away', () => {
    const two = addPlaces(
      addPlaces(held, [{ xMm: 0, yMm: 0 }], 'bolts'),
      [{ xMm: 100, yMm: 0 }],
      'bolts',
    );
    expect(two.seats.map((s) => s.id)).toEqual(['1', '2']);
    expect(two.pattern.outline).toEqual([
      [-24, -24],
      [124, -24],
      [124, 24],
      [-24, 24],
    ]);
    expect(movePlace(two, '2', { xMm: 100, yMm: 50 }).pattern.outline[2]).toEqual([124, 74]);
    expect(removePlaces(two, ['1', '2']).pattern).toMatchObject({ positions: [], outline: [] });
    const drawn: Sheet = {
      ...two,
      pattern: {
        ...two.pattern,
        outline: [
          [0, 0],
          [9, 0],
          [9, 9],
        ],
      },
    };
    expect(movePlace(drawn, '2', { xMm: 300, yMm: 0 }).pattern.outline).toEqual(
      drawn.pattern.outline,
    );
  });

  test('a place taken away is named nowhere any more, and no stage silently takes in others', () => {
    const sheet = demoSheet('tf25-head');
    const [first] = sheet.pattern.positions;
    const less = removePlaces(sheet, [first?.label ?? '']);
    expect(JSON.stringify([less.seats, less.stages])).not.toContain(`"${first?.label}"`);
    const only = {
      ...sheet,
      stages: sheet.stages.map((s, i) => (i === 0 ? { ...s, on: ['1'] } : s)),
    };
    expect(removePlaces(only, ['1']).stages[0]?.on).toEqual([]);
    expect(
      checkDraft(removePlaces(only, ['1'])).some(
        (f) => f.place === 'stages.0.on' && f.level === 'error',
      ),
    ).toBe(true);
  });

  test('numbered by tapping: the same bolts are tightened in the same order, under other names', () => {
    const tapping = any.chain((sheet) =>
      fc.tuple(
        fc.constant(sheet),
        fc.shuffledSubarray(sheet.pattern.positions.map((p) => p.label)),
      ),
    );
    fc.assert(
      fc.property(tapping, ([sheet, tapped]) => {
        const again = numberPlaces(sheet, tapped);
        expect(again.pattern.positions.map((p) => p.label)).toEqual(
          sheet.pattern.positions.map((_, i) => String(i + 1)),
        );
        expect(new Set(again.seats.map((s) => s.id)).size).toBe(sheet.seats.length);
        for (const [i, stage] of sheet.stages.entries()) {
          // Orders that were named or listed; a computed one may break ties by the label.
          if (!stage.order?.labels) continue;
          expect(orderOf(again, i).map((s) => at(again, s))).toEqual(
            orderOf(sheet, i).map((s) => at(sheet, s)),
          );
        }
        if (tapped[0])
          expect(at(again, again.seats.find((s) => s.position === '1')?.id ?? '')).toBe(
            at(sheet, sheet.seats.find((s) => s.position === tapped[0])?.id ?? ''),
          );
      }),
    );
  });

  test('are given to another group', () => {
    const two = addPlaces(
      held,
      rowsOfPlaces({ count: 2, rows: 1, spacingMm: 80, rowsMm: 0 }),
      'bolts',
    );
    expect(assignGroup(two, ['2'], 'long').seats.map((s) => s.group)).toEqual(['bolts', 'long']);
  });
});

describe('a draft in an order from the bench', () => {
  test('has its bolts where they are, numbered as they are tightened, and says that the order is derived', () => {
    const places = [
      { label: 'a', xMm: 0, yMm: 0 },
      { label: 'b', xMm: 80, yMm: 0 },
      { label: 'c', xMm: 40, yMm: 60 },
    ];
    const draft = inOrder(empty, places, ['c', 'a', 'b', 'gone'], 'First torque');
    expect(draft.pattern.positions).toEqual([
      { label: '1', xMm: 40, yMm: 60 },
      { label: '2', xMm: 0, yMm: 0 },
      { label: '3', xMm: 80, yMm: 0 },
    ]);
    expect(draft.seats.map((s) => s.group)).toEqual(['bolts', 'bolts', 'bolts']);
    expect(draft.stages).toMatchObject([
      { order: { rule: 'listed', labels: ['1', '2', '3'] }, derived: true },
    ]);
    expect(v.is(DraftSchema, draft)).toBe(true);
  });
});
