import fc from 'fast-check';
import { AppError } from '../errors';
import { draftOf } from '../draft';
import { readSheet, type Sheet } from '../procedure';
import { demoSheet, demoSheets, headSheet } from '../testing';
import { buildSheet } from '../testing/sheetPlans';
import { planArbitrary } from '../testing/sheetParts';
import {
  classify,
  defuse,
  HEADINGS,
  restore,
  rowKindOf,
  rowsOf,
  saysTheSame,
  SheetSplitter,
  withRows,
} from '.';

const runs = process.env.STENNET_ALL ? 2000 : 150;
function refused(act: () => unknown): AppError {
  try {
    act();
  } catch (error) {
    if (error instanceof AppError) return error;
    throw error;
  }
  throw new Error('nothing was refused');
}
const cut = (text: string, sizes: readonly number[]): string[] => {
  const splitter = new SheetSplitter();
  const found: string[] = [];
  let at = 0;
  for (let i = 0; at < text.length; i += 1) {
    const size = Math.max(1, sizes[i % sizes.length] ?? text.length);
    found.push(...splitter.push(text.slice(at, at + size)));
    at += size;
  }
  splitter.end();
  return found;
};

describe('cutting a file into sheets', () => {
  const sheets = fc.array(fc.constantFrom(...demoSheets), { maxLength: 4 });
  const forms: Record<string, (s: readonly object[]) => string> = {
    library: (s) =>
      JSON.stringify(
        { format: 'stennet-sheets', v: 1, shop: 'a "[{', sheets: s, count: { of: [s.length] } },
        null,
        1,
      ),
    list: (s) => ` ${JSON.stringify(s, null, 2)}\n`,
    lines: (s) => s.map((x) => JSON.stringify(x)).join('\n'),
    bare: (s) => `\ufeff${s.map((x) => JSON.stringify(x, null, 1)).join('')}`,
  };

  test('any form, in pieces of any size, gives the same sheets', () => {
    fc.assert(
      fc.property(
        sheets,
        fc.constantFrom(...Object.keys(forms)),
        fc.array(fc.integer({ min: 1, max: 4000 }), { minLength: 1, maxLength: 5 }),
        (list, form, sizes) => {
          expect(cut(forms[form]?.(list) ?? '', sizes).map((t) => JSON.parse(t))).toEqual(list);
        },
      ),
      { numRuns: runs },
    );
  });

  test.each([
    ['[1, 2]', 'something between'],
    ['hello', 'something between'],
    ['"x"', 'something between'],
    ['[{"a":1}', 'the file is cut off'],
    ['[{"a":"', 'the file is cut off'],
    ['[{"a":1)]', 'brackets don’t match'],
    ['[{"a":[1}]', 'brackets don’t match'],
    [']', 'brackets don’t match'],
    [`${'{"a":'.repeat(50)}`, 'levels deep'],
    ['[[{"a":1}]]', 'something between'],
  ])('%s is refused: %s', (text, why) => {
    expect(refused(() => cut(text, [3])).message).toContain(why);
  });

  test('a sheet without end is refused before it fills the memory', () => {
    const splitter = new SheetSplitter();
    splitter.push('{"a":"');
    expect(() => {
      for (let i = 0; i < 20; i += 1) splitter.push('x'.repeat(100_000));
    }).toThrow(AppError);
  });

  test('whatever it is fed, it answers with texts or with a refusal', () => {
    const soup = fc.array(
      fc.constantFrom(
        '{',
        '}',
        '[',
        ']',
        '"',
        '\\',
        ',',
        ':',
        'sheets',
        '"sheets":',
        ' ',
        '1',
        'é',
        '\u0000',
        '"a":',
      ),
      { maxLength: 60 },
    );
    fc.assert(
      fc.property(soup, fc.integer({ min: 1, max: 9 }), (parts, size) => {
        try {
          expect(Array.isArray(cut(parts.join(''), [size]))).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(AppError);
        }
      }),
      { numRuns: runs * 4 },
    );
  });
});

describe('tables', () => {
  test('every sheet comes back from its tables exactly as it was', () => {
    for (const sheet of demoSheets) {
      expect(
        withRows({ ...sheet, stages: [], takeApart: [] }, 'stages', rowsOf.stages(sheet)).stages,
      ).toEqual(sheet.stages);
      for (const kind of ['stages', 'fasteners'] as const)
        expect(withRows(sheet, kind, rowsOf[kind](sheet))).toEqual(sheet);
    }
    fc.assert(
      fc.property(planArbitrary, (plan) => {
        // As it stands in a file, where there is no negative zero.
        const sheet = readSheet(JSON.parse(JSON.stringify(buildSheet(plan))));
        for (const kind of ['stages', 'fasteners'] as const)
          expect(withRows(sheet, kind, rowsOf[kind](sheet))).toEqual(sheet);
      }),
      { numRuns: runs },
    );
  });

  test('text that a spreadsheet would run is defused and restored, numbers stand by themselves', () => {
    for (const evil of ['=1+1', '+49', '-x', '@a', "'quoted", '\tx', 'plain']) {
      const sheet: Sheet = {
        ...headSheet,
        stages: headSheet.stages.map((s, i) => (i === 0 ? { ...s, note: evil, name: evil } : s)),
      };
      const rows = rowsOf.stages(sheet);
      expect(rows[0]?.name).not.toMatch(/^[=+\-@\t]/);
      expect(withRows(sheet, 'stages', rows)).toEqual(sheet);
    }
    expect(rowsOf.stages(headSheet)[0]).toMatchObject({ value: '27', unit: 'N.m' });
    fc.assert(fc.property(fc.string(), (text) => expect(restore(defuse(text))).toBe(text)));
  });

  test('every row has every column, and the headings say which table it is', () => {
    for (const kind of ['stages', 'fasteners'] as const) {
      for (const row of demoSheets.flatMap((s) => rowsOf[kind](s)))
        expect(Object.keys(row).sort()).toEqual([...HEADINGS[kind]].sort());
      expect(rowKindOf(HEADINGS[kind])).toBe(kind);
    }
    expect(rowKindOf(['sheet', 'action'])).toBeNull();
    expect(rowKindOf(['sheet', 'revision', 'colour'])).toBeNull();
  });

  test('a decimal comma is read; what cannot be read names its column', () => {
    const rows = rowsOf.stages(headSheet);
    const withCell = (name: string, cell: string): Sheet =>
      withRows(headSheet, 'stages', [{ ...rows[0], [name]: cell }, ...rows.slice(1)]);
    expect(withCell('value', '27,5').stages[0]?.target).toEqual({ value: 27.5, unit: 'N.m' });
    expect(refused(() => withCell('value', 'much')).params).toMatchObject({
      column: 'value',
      cell: 'much',
    });
    expect(refused(() => withCell('may lag', 'perhaps')).params).toMatchObject({
      column: 'may lag',
    });
    expect(refused(() => withCell('each', '[')).params).toMatchObject({ column: 'each' });
    expect(refused(() => withCell('action', 'hammer')).message).toContain('stages.0.action');
    expect(refused(() => withCell('part', 'elsewhere')).message).toContain('elsewhere');
  });

  test('rows of one group that disagree are refused, not averaged', () => {
    const rows = rowsOf.fasteners(headSheet);
    expect(
      refused(() =>
        withRows(headSheet, 'fasteners', [{ ...rows[0], class: '8.8' }, ...rows.slice(1)]),
      ).message,
    ).toContain('rows disagree');
  });
});

describe('new, same, changed, refused', () => {
  const c = demoSheet('brenna-2-0-head', 'C');
  const b = demoSheet('brenna-2-0-head', 'B');
  const known = { revisions: [b, c], draft: null };

  test('the same content is the same, whether it stands or not', () => {
    expect(classify({ ...c, status: 'superseded', supersededBy: 'D' }, known)).toEqual({
      what: 'same',
    });
    expect(classify(c, { revisions: [], draft: draftOf(c, 'C') })).toEqual({ what: 'same' });
    expect(saysTheSame(b, c)).toBe(false);
  });
  test('unknown comes in as a draft, a superseded one as history', () => {
    expect(classify(c, { revisions: [], draft: null })).toEqual({
      what: 'new',
      keep: 'draft',
      sheet: { ...c, status: 'draft' },
    });
    expect(classify(b, { revisions: [], draft: null })).toEqual({
      what: 'new',
      keep: 'superseded',
      sheet: b,
    });
  });
  test('other content never takes the place of a revision that stands', () => {
    const other = { ...c, title: 'Cylinder head, another' };
    expect(classify(other, known)).toMatchObject({
      what: 'changed',
      keep: 'draft',
      sheet: { revision: 'D', status: 'draft' },
    });
    expect(classify({ ...b, title: 'x' }, known)).toEqual({ what: 'refused', why: 'otherContent' });
    expect(classify(other, { ...known, draft: draftOf(c, 'D') })).toEqual({
      what: 'refused',
      why: 'draftOpen',
    });
  });
});
