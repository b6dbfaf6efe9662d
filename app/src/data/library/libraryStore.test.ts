import 'fake-indexeddb/auto';
import { demoSheet, demoSheets } from '@stennet/core/testing';
import type { Sheet } from '@stennet/core/procedure';
import { database } from '../database';
import { LibraryStore, type Changes } from './libraryStore';

/** A server that hands out its list in pieces of seven. */
function server(sheets: Sheet[]) {
  const asked: (string | null)[] = [];
  const ask = (after: string | null): Promise<Changes> => {
    asked.push(after);
    const from = after === null ? 0 : Number(after);
    const piece = sheets.slice(from, from + 7);
    return Promise.resolve({
      sheets: piece,
      after: String(from + piece.length),
      more: piece.length === 7,
    });
  };
  return { ask, asked };
}

beforeEach(async () => {
  const db = await database();
  await Promise.all([db.clear('library'), db.clear('answers')]);
});

test('catches up once, keeps what it has, and asks only for what is new afterwards', async () => {
  const list = [...demoSheets];
  const { ask, asked } = server(list);
  const store = new LibraryStore('halden', ask);
  expect(await store.open()).toEqual({ sheets: 0, isPartial: false });
  expect(await store.catchUp()).toEqual({ sheets: list.length, isPartial: false });
  const again = new LibraryStore('halden', ask);
  expect((await again.open()).sheets).toBe(list.length);
  asked.length = 0;
  await again.catchUp();
  expect(asked).toEqual([String(list.length)]);
});

test('finds misspelt, in any order, narrowed, and lists by place when nothing is typed', async () => {
  const store = new LibraryStore('halden', server([...demoSheets]).ask);
  await store.open();
  await store.catchUp();
  expect((await store.find('flyweel ob20', {}, 5))[0]?.sheet).toMatch(/^ob20-flywheel/);
  expect((await store.find('head', { engine: 'TF25' }, 5)).map((b) => b.sheet)).toEqual([
    'tf25-head',
  ]);
  expect(
    (await store.find('', { maker: 'Belmaro', kind: 'damper' }, 5)).map((b) => b.sheet),
  ).toEqual(['bv48-damper']);
  expect(store.places()).toContainEqual({
    maker: 'Belmaro',
    engine: 'BV48',
    kind: 'damper',
    sheets: 1,
  });
});

test('the page of a sheet comes with its siblings and other revisions', async () => {
  const store = new LibraryStore('halden', server([...demoSheets]).ask);
  await store.open();
  await store.catchUp();
  const page = await store.get('brenna-2-0-head', 'C');
  expect(page?.sheet).toEqual(demoSheet('brenna-2-0-head', 'C'));
  expect(page?.related.map((s) => `${s.id} ${s.revision}`).sort()).toEqual([
    'brenna-2-0-head B',
    'brenna-2-0-head-early A',
  ]);
  expect(await store.get('nowhere', 'A')).toBeNull();
});

test('a network that goes half-way leaves what has come in, and the rest comes later', async () => {
  const { ask } = server([...demoSheets]);
  let pieces = 0;
  const store = new LibraryStore('halden', (after) =>
    (pieces += 1) === 2 ? Promise.reject(new Error('gone')) : ask(after),
  );
  await store.open();
  await expect(store.catchUp()).rejects.toThrow('gone');
  const again = new LibraryStore('halden', ask);
  expect((await again.open()).sheets).toBe(7);
  expect((await again.catchUp()).sheets).toBe(demoSheets.length);
});

test('one shop never sees another’s, and a device keeps no more than it may', async () => {
  const { ask } = server([...demoSheets]);
  const store = new LibraryStore('halden', ask, 10);
  await store.open();
  expect(await store.catchUp()).toEqual({ sheets: 14, isPartial: true });
  const other = new LibraryStore('tern', ask);
  expect((await other.open()).sheets).toBe(0);
  expect(await other.find('flywheel', {}, 5)).toEqual([]);
});

test('a revision that no longer stands comes again as superseded', async () => {
  const [first] = demoSheets;
  if (!first) throw new Error();
  const list = [first];
  const { ask } = server(list);
  const store = new LibraryStore('halden', ask);
  await store.open();
  await store.catchUp();
  list.push({ ...first, status: 'superseded', supersededBy: 'Z' });
  await store.catchUp();
  expect((await store.get(first.id, first.revision))?.sheet.status).toBe('superseded');
});
