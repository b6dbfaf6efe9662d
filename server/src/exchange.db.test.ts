import Papa from 'papaparse';
import { copyOf, draftOf } from '@stennet/core/draft';
import { demoSheets, headSheet } from '@stennet/core/testing';
import type { Sheet } from '@stennet/core/procedure';
import { canonicalJson } from '@stennet/core/record';
import { house, ines, jonah } from '../test/theShop';
import { HALDEN, TERN } from '../test/world';
import { sheetsIn, exported, counts, bring } from '../test/imports';

afterEach(() => house.admin.query('delete from sheet_draft'));

describe('exporting', () => {
  test('the library as JSON holds every sheet of the shop, and no other shop’s', async () => {
    const all = sheetsIn(await exported('form=json'));
    for (const sheet of demoSheets)
      expect(all.map((s) => canonicalJson(s))).toContain(canonicalJson(sheet));
    const { rows } = await house.admin.query<{ n: number }>(
      'select count(*)::int n from sheet_revision where shop = $1',
      [HALDEN],
    );
    expect(all).toHaveLength(rows[0]?.n ?? 0);
  });

  test('one sheet, a selection, what a search narrows to', async () => {
    expect(sheetsIn(await exported('form=json&pick=bv48-damper:B')).map((s) => s.id)).toEqual([
      'bv48-damper',
    ]);
    expect(
      sheetsIn(await exported('form=json&pick=bv48-damper:B&pick=qn47-intake:B')).map((s) => s.id),
    ).toEqual(['bv48-damper', 'qn47-intake']);
    expect(
      sheetsIn(await exported('form=json&maker=Belmaro')).every(
        (s) => s.applies.maker === 'Belmaro',
      ),
    ).toBe(true);
    for (const bad of ['form=xml', 'form=json&pick=../x', 'form=json&colour=green'])
      await ines.get(`/api/library/export?${bad}`).expect(400);
  });

  test('tables have numbers in their own columns and nothing that a spreadsheet would run', async () => {
    const table = Papa.parse<Record<string, string>>(await exported('form=stages&maker=Ostrel'), {
      header: true,
      skipEmptyLines: true,
    });
    expect(table.errors).toEqual([]);
    expect(table.data.find((r) => r.sheet === headSheet.id && r.value !== '')).toMatchObject({
      value: '27',
      unit: 'N.m',
    });
    for (const row of table.data)
      for (const cell of Object.values(row)) expect(cell).not.toMatch(/^[=+@\t]|^-(?!\d)/);
  });
});

describe('importing', () => {
  const copy = (n: number, over: Partial<Sheet> = {}): Sheet => ({
    ...copyOf(headSheet, `brought-${n}`),
    status: 'approved',
    ...over,
  });

  test('a library brought back into its own shop is all the same, as JSON and as tables; nothing is written', async () => {
    const before = await counts();
    const all = await exported('form=json');
    expect(await bring(all)).toMatchObject({
      read: sheetsIn(all).length,
      same: sheetsIn(all).length,
      new: 0,
      changed: 0,
      refusedCount: 0,
    });
    for (const form of ['stages', 'fasteners']) {
      const line = await bring(await exported(`form=${form}`));
      expect(line).toMatchObject({ new: 0, changed: 0, refused: [], error: null });
      expect(line.same).toBe(sheetsIn(all).length);
    }
    expect(await counts()).toBe(before);
  });

  test('new, same, changed and refused are told before anything is written; then all or nothing', async () => {
    const changed = { ...headSheet, title: 'Cylinder head, other' };
    const broken = { ...copy(2), stages: [] };
    const file = JSON.stringify([copy(1), headSheet, changed, broken]);
    const before = await counts();
    const look = await bring(file);
    expect(look).toMatchObject({
      read: 4,
      new: 1,
      same: 1,
      changed: 1,
      refusedCount: 1,
      written: false,
    });
    expect(look.refused.map((r) => r.place)).toEqual(['sheet 4']);
    expect(look.refused[0]?.message).toContain('stages');
    const refused = await bring(file, 'mode=write');
    expect(refused.error).toMatchObject({ code: 'IMPORT_REFUSED', params: { count: 1 } });
    expect(await counts()).toBe(before);
    expect(await bring(file, 'mode=write&skip=refused')).toMatchObject({
      written: true,
      error: null,
    });
    expect((await ines.get('/api/drafts/brought-1').expect(200)).body).toMatchObject({
      imported: true,
      draft: { status: 'draft', revision: 'A' },
      editor: { name: 'Ines Corte' },
    });
  });

  test('what stands is never changed: other content becomes the draft of the next revision', async () => {
    await bring(JSON.stringify({ ...headSheet, title: 'Cylinder head, other' }), 'mode=write');
    expect((await ines.get(`/api/drafts/${headSheet.id}`)).body.draft).toMatchObject({
      revision: 'D',
      title: 'Cylinder head, other',
    });
    expect((await ines.get(`/api/sheets/${headSheet.id}/C`)).body.sheet.title).toBe(
      headSheet.title,
    );
    expect(
      (await bring(JSON.stringify({ ...headSheet, title: 'A third' }))).refused[0]?.message,
    ).toContain('already drafting this sheet');
  });

  test('a table changes the sheets it names', async () => {
    const table = Papa.parse<Record<string, string>>(
      await exported(`form=stages&pick=${headSheet.id}:C`),
      { header: true, skipEmptyLines: true },
    ).data;
    const edited = Papa.unparse(
      table.map((r) => (r.value === '27' ? { ...r, value: '28,5' } : r)),
      { delimiter: ';' },
    );
    expect(await bring(edited, 'mode=write')).toMatchObject({ read: 1, changed: 1, written: true });
    expect(
      (await ines.get(`/api/drafts/${headSheet.id}`)).body.draft.stages.map(
        (s: Sheet['stages'][number]) => s.target,
      ),
    ).toContainEqual({ value: 28.5, unit: 'N.m' });
    const other = Papa.unparse(table.map((r) => ({ ...r, sheet: 'nowhere' })));
    expect((await bring(other)).refused).toEqual([
      {
        place: 'row 2',
        sheet: 'nowhere',
        message: expect.stringContaining('Import new ones as JSON'),
      },
    ]);
    expect(
      (await bring(Papa.unparse(table.map((r) => ({ ...r, value: '=cmd()' }))))).refused[0]
        ?.message,
    ).toContain('column “value”');
  });

  test('history comes in as history, and cannot be chosen', async () => {
    const old: Sheet = { ...copy(7), status: 'superseded', supersededBy: 'B' };
    expect(
      await bring(
        JSON.stringify([old, { ...draftOf(old, 'B'), status: 'approved' }]),
        'mode=write',
      ),
    ).toMatchObject({ new: 2, written: true });
    expect((await ines.get('/api/sheets/brought-7/A')).body.sheet).toMatchObject({
      status: 'superseded',
      supersededBy: 'B',
    });
    expect((await ines.get('/api/drafts/brought-7')).body.draft.revision).toBe('B');
  });

  test('only a lead, only from the page itself, only in their shop', async () => {
    await jonah
      .post('/api/library/import?mode=write', undefined)
      .type('application/octet-stream')
      .send('[]')
      .expect(403);
    await ines
      .post('/api/library/import?mode=all', undefined)
      .type('application/octet-stream')
      .send('[]')
      .expect(400);
    await bring(JSON.stringify(copy(8)), 'mode=write');
    const { rows } = await house.admin.query('select 1 from sheet_draft where shop = $1', [TERN]);
    expect(rows).toEqual([]);
  });

  test('another shop takes a whole library, approves it at once, and gives the same again', async () => {
    const lead = await (await house.signIn('Ines Corte')).into(TERN);
    const fresh = demoSheets.map((s) => ({
      ...s,
      id: `${s.id}`.slice(0, 30) + '-x',
      tellApart: [],
      conflicts: [],
      requires: [],
    }));
    const arrived = await bring(
      JSON.stringify({ format: 'stennet-sheets', v: 1, sheets: fresh }),
      'mode=write',
      lead,
    );
    expect(arrived).toMatchObject({ refused: [], written: true });
    const { drafts } = (await lead.get('/api/library')).body as {
      drafts: { sheet: string; version: number; errors: number }[];
    };
    expect(drafts.every((d) => d.errors === 0)).toBe(true);
    await lead
      .post('/api/library/approve', {
        drafts: drafts.map((d) => ({ sheet: d.sheet, version: d.version, seen: [] })),
      })
      .expect(200);
    const back = sheetsIn(await exported('form=json', lead));
    const said = ({ status: _s, supersededBy: _b, ...sheet }: Sheet): string =>
      canonicalJson(sheet);
    for (const sheet of fresh) expect(back.map(said)).toContain(said(sheet));
  });
});
