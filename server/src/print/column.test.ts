import { putColumn, type Block } from './column';
import type { Doc } from './paper';

const doc = {} as Doc;
/** Says where it was put, page by page. */
function pages(blocks: readonly Block[], bottom: number, said: string[]): string[][] {
  const all: string[][] = [];
  for (let left = blocks; left.length > 0 && all.length < 50;) {
    said.length = 0;
    left = putColumn(doc, left, { x: 0, y: 0, width: 100, bottom }, 8);
    all.push([...said]);
  }
  return all;
}
const made =
  (said: string[]) =>
  (name: string, extra: Partial<Block> = {}): Block => ({
    height: () => 8,
    put: () => void said.push(name),
    ...extra,
  });

test('a table that breaks has its head again on each page, and loses no row', () => {
  const said: string[] = [];
  const block = made(said);
  const head = block('head', { leads: true });
  const rows = Array.from({ length: 34 }, (_, i) =>
    block(`row ${i + 1}`, i > 0 ? { under: head } : {}),
  );
  const all = pages([block('title'), head, ...rows, block('after')], 100, said);
  expect(all.length).toBeGreaterThan(3);
  for (const page of all.slice(1))
    if (page.some((b) => b.startsWith('row'))) expect(page[0]).toBe('head');
  expect(all.flat().filter((b) => b.startsWith('row'))).toEqual(rows.map((_, i) => `row ${i + 1}`));
  expect(all.flat().filter((b) => b === 'after')).toHaveLength(1);
});

test('a heading goes over to where what it leads stands, and one larger than a page is put all the same', () => {
  const said: string[] = [];
  const block = made(said);
  const lines = Array.from({ length: 8 }, (_, i) => block(`line ${i}`));
  expect(
    pages([...lines, block('heading', { leads: true }), block('first'), block('second')], 90, said),
  ).toEqual([lines.map((_, i) => `line ${i}`), ['heading', 'first', 'second']]);
  expect(pages([block('large', { height: () => 500 }), block('next')], 90, said)).toEqual([
    ['large'],
    ['next'],
  ]);
  const head = block('head', { leads: true });
  expect(
    pages(
      [
        head,
        block('row'),
        block('long row', { height: () => 500, under: head }),
        block('row', { under: head }),
      ],
      90,
      said,
    ),
  ).toEqual([
    ['head', 'row'],
    ['head', 'long row'],
    ['head', 'row'],
  ]);
});
