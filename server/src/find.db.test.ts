import * as v from 'valibot';
import { runReplies, type SheetBrief } from '@stennet/core/contract/work';
import { nearForms, seeded, typedLike, wordsOf } from '@stennet/core/find';
import { demoSheets } from '@stennet/core/testing';
import { keepSheet } from './db/keepSheet';
import findSheets from './db/queries/findSheets.sql';
import findWords from './db/queries/findWords.sql';
import { house, jonah, tomas } from '../test/theShop';
import { HALDEN, TERN, type Session } from '../test/world';

const found = async (who: Session, query: string): Promise<SheetBrief[]> =>
  v.parse(runReplies.findSheets, (await who.get(`/api/sheets?${query}`).expect(200)).body).sheets;
const ids = (sheets: readonly SheetBrief[]): string[] =>
  sheets.map((s) => `${s.sheet} ${s.revision}`);

describe('finding a sheet', () => {
  test('by engine, part, misspelt, partial, in any order', async () => {
    expect(ids(await found(jonah, 'q=flywheel+ob20'))[0]).toMatch(/^ob20-flywheel/);
    expect(ids(await found(jonah, 'q=flyweel+ob20'))[0]).toMatch(/^ob20-flywheel/);
    expect(ids(await found(jonah, 'q=bv48+dam'))[0]).toBe('bv48-damper B');
    expect(ids(await found(jonah, 'q=exhast+sabel'))[0]).toBe('qn47-exhaust B');
    expect(await found(jonah, 'q=xyzzy')).toEqual([]);
  });

  test('what stands comes before what is superseded, and says what must not be overlooked', async () => {
    const hits = await found(jonah, 'q=brenna+cylinder+head');
    expect(ids(hits).indexOf('brenna-2-0-head C')).toBeLessThan(
      ids(hits).indexOf('brenna-2-0-head B'),
    );
    expect(hits.find((h) => h.sheet === 'brenna-2-0-head' && h.revision === 'C')).toMatchObject({
      oneTimeUse: true,
      compounds: ['engine oil'],
      line: expect.stringContaining('27 N·m until settled'),
    });
  });

  test('by tapping: maker, engine, job', async () => {
    const { places } = (await jonah.get('/api/sheet-places').expect(200)).body as {
      places: { maker: string; engine: string; kind: string; sheets: number }[];
    };
    expect(places).toContainEqual({ maker: 'Belmaro', engine: 'BV48', kind: 'damper', sheets: 1 });
    expect(ids(await found(jonah, 'maker=Belmaro&engine=BV48&kind=damper'))).toEqual([
      'bv48-damper B',
    ]);
  });

  test('narrowed to an engine, its sheets are found however many others say the word', async () => {
    const own = demoSheets.find((s) => s.id === 'bv48-damper');
    if (!own) throw new Error('no damper');
    const keep = (id: string, title: string, engine: string): Promise<boolean> =>
      keepSheet(house.admin, TERN, {
        ...own,
        id,
        title,
        applies: { ...own.applies, model: 'Bench', engine },
        source: { ...own.source, title: 'Bench list' },
      });
    await house.admin.query("select set_config('stennet.shop', $1, false)", [TERN]);
    for (let i = 0; i < 90; i += 1) await keep(`many-${i}`, 'Damper damper', 'MANY');
    await keep('the-one', 'Front end', 'ONE');
    expect(ids(await found(tomas, 'q=damper'))).not.toContain('the-one B');
    expect(ids(await found(tomas, 'q=damper&engine=ONE'))).toEqual(['the-one B']);
  });

  test('a typist in a hurry finds what stands, like the index in memory does', async () => {
    const random = seeded(5);
    const approved = demoSheets.filter((s) => s.status === 'approved');
    let good = 0;
    for (let i = 0; i < 120; i += 1) {
      const sheet = approved[i % approved.length];
      if (!sheet) continue;
      const q = typedLike([...wordsOf(sheet.applies.engine), ...wordsOf(sheet.title)], random);
      if (
        ids((await found(jonah, `q=${encodeURIComponent(q)}`)).slice(0, 5)).includes(
          `${sheet.id} ${sheet.revision}`,
        )
      )
        good += 1;
    }
    expect(good / 120).toBeGreaterThan(0.85);
  });

  test('a shop finds and opens its own sheets only', async () => {
    expect(await found(tomas, 'q=bv48')).toEqual([]);
    await tomas.get('/api/sheets/bv48-damper/B').expect(404);
    await jonah.get('/api/sheets/bv48-damper/B').expect(200);
    const { rows } = await house.admin.query<{ shop: string }>(
      'select distinct shop from sheet_word',
    );
    expect(rows.map((r) => r.shop).sort()).toEqual([HALDEN, TERN].sort());
  });

  test('hostile and broken searches are answered, never stored, never executed', async () => {
    for (const q of [
      "'; drop table sheet_word; --",
      '%00',
      '<script>',
      '\\',
      'a'.repeat(100),
      '𝔐10',
      '%',
      '_',
      '💧 💧',
    ])
      await jonah.get(`/api/sheets?q=${encodeURIComponent(q)}`).expect(200);
    await jonah.get(`/api/sheets?q=${'a'.repeat(200)}`).expect(400);
    await jonah.get('/api/sheets?q=a&q=b').expect(400);
    await jonah.get('/api/sheets?colour=green').expect(400);
    await jonah.get('/api/sheets/..%2f..%2fetc/A').expect(404);
    expect((await found(jonah, 'q=damper')).length).toBeGreaterThan(0);
  });

  test('both statements use the indexes under row-level security', async () => {
    await house.db.inShop(HALDEN, async (client) => {
      // A few dozen rows are read whole by choice; what is asked is whether the index can be used
      // at all.
      await client.query('set local enable_seqscan = off');
      const forms = nearForms('flyweel');
      const words = await client.query<{ 'QUERY PLAN': string }>(`explain ${findWords.text}`, [
        ['flyweel'],
        forms,
        forms.map(() => 1),
      ]);
      const sheets = await client.query<{ 'QUERY PLAN': string }>(`explain ${findSheets.text}`, [
        ['flywheel'],
        [1],
        [1],
        ['flywheel'],
        400,
        60,
        'Belmaro',
        null,
        null,
      ]);
      const plan = [...words.rows, ...sheets.rows].map((r) => r['QUERY PLAN']).join('\n');
      for (const index of ['word_count_pkey', 'word_form_pkey', 'sheet_word'])
        expect(plan).toContain(index);
      expect(plan).not.toMatch(/Seq Scan on (sheet_word|word_count|word_form)/);
    });
  });
});

describe('the page of a sheet', () => {
  test('brings its siblings, conflicts, other revisions and where it is used', async () => {
    const page = v.parse(
      runReplies.sheet,
      (await jonah.get('/api/sheets/brenna-2-0-head/C').expect(200)).body,
    );
    expect(page.sheet.title).toBe('Cylinder head, Brenna 2.0');
    expect(page.related.map((s) => `${s.id} ${s.revision}`).sort()).toEqual([
      'brenna-2-0-head B',
      'brenna-2-0-head-early A',
    ]);
    expect(page.uses.map((u) => u.number)).toEqual(expect.arrayContaining(['2417', '2425']));
  });
});
