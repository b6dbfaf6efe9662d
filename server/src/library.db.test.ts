import { checkDraft, draftOf, findingKey, newDraft } from '@stennet/core/draft';
import { headSheet } from '@stennet/core/testing';
import type { Sheet } from '@stennet/core/procedure';
import { house, ines, jonah, petra, tomas } from '../test/theShop';
import { HALDEN } from '../test/world';
import { fresh, save, approve, withSecondLead } from '../test/drafts';

afterEach(() => house.admin.query('delete from sheet_draft'));

describe('writing a draft', () => {
  test('is kept with its version, the same again is answered the same, and it is read back as it was', async () => {
    const draft = fresh();
    expect((await save(jonah, draft).expect(200)).body).toEqual({ version: 1 });
    expect((await save(jonah, draft).expect(200)).body).toEqual({ version: 1 });
    expect((await save(jonah, { ...draft, title: 'Other' }, 1).expect(200)).body).toEqual({
      version: 2,
    });
    const { body } = await ines.get(`/api/drafts/${draft.id}`).expect(200);
    expect(body).toMatchObject({
      version: 2,
      draft: { ...draft, title: 'Other' },
      editor: { name: 'Jonah Pike' },
      soleLead: true,
    });
  });

  test('an empty one is kept too, and the library says how much is missing', async () => {
    const draft = newDraft({
      id: 'written-empty',
      maker: 'Corvane',
      model: 'Kestrel',
      engine: 'CK12',
      kind: 'cylinder-head',
      title: '',
      today: '2026-11-24',
    });
    await save(ines, draft).expect(200);
    const { drafts } = (await ines.get('/api/library').expect(200)).body as {
      drafts: { sheet: string; errors: number }[];
    };
    expect(drafts.find((d) => d.sheet === draft.id)?.errors).toBeGreaterThan(5);
  });

  test('what someone else changed in the meantime is not written over', async () => {
    const draft = fresh();
    await save(jonah, draft).expect(200);
    await save(ines, { ...draft, title: 'By Ines' }, 1).expect(200);
    const { body } = await save(jonah, { ...draft, title: 'By Jonah' }, 1).expect(409);
    expect(body.error).toMatchObject({ code: 'DRAFT_CHANGED', params: { by: 'Ines Corte' } });
    expect(
      (await save(jonah, { ...draft, title: 'By Jonah' }, 0).expect(409)).body.error.code,
    ).toBe('DRAFT_CHANGED');
  });

  test('a new sheet may not take the name of one that is there; a revision of it may', async () => {
    const revision = draftOf(headSheet, 'D');
    expect((await save(ines, revision).expect(409)).body.error.code).toBe('SHEET_ID_TAKEN');
    await save(ines, revision, 0, 'C').expect(200);
    await ines.post(`/api/drafts/${revision.id}/discard`, { version: 7 }).expect(409);
    await ines.post(`/api/drafts/${revision.id}/discard`, { version: 1 }).expect(200);
    expect((await save(ines, revision, 1, 'C').expect(409)).body.error.code).toBe('DRAFT_GONE');
  });

  test('roles, shops and shapes are enforced', async () => {
    const draft = fresh();
    await save(petra, draft).expect(403);
    await petra.get('/api/library').expect(403);
    await save(jonah, draft).expect(200);
    await tomas.get(`/api/drafts/${draft.id}`).expect(404);
    expect(
      ((await tomas.get('/api/library').expect(200)).body as { drafts: unknown[] }).drafts,
    ).toEqual([]);
    await jonah.post('/api/drafts/another-id', { version: 0, basedOn: null, draft }).expect(400);
    await jonah
      .post(`/api/drafts/${draft.id}`, {
        version: 0,
        basedOn: null,
        draft: { ...draft, status: 'approved' },
      })
      .expect(400);
    await jonah
      .post(`/api/drafts/${draft.id}`, { version: 0, basedOn: null, draft: { ...draft, extra: 1 } })
      .expect(400);
    await jonah.post(`/api/drafts/${draft.id}`, { version: -1, basedOn: null, draft }).expect(400);
  });
});

describe('approving', () => {
  test('only a lead, and only what is ready', async () => {
    const draft = fresh({ title: '' });
    await save(jonah, draft).expect(200);
    await approve(jonah, { sheet: draft.id, version: 1 }).expect(403);
    expect(
      (await approve(ines, { sheet: draft.id, version: 1 }).expect(409)).body.error,
    ).toMatchObject({
      code: 'DRAFT_NOT_READY',
      params: { what: expect.stringContaining('title') },
    });
    await save(jonah, { ...draft, title: 'Head' }, 1).expect(200);
    expect((await approve(ines, { sheet: draft.id, version: 1 }).expect(409)).body.error.code).toBe(
      'DRAFT_CHANGED',
    );
    await approve(ines, { sheet: draft.id, version: 2 }).expect(200);
    const page = (await petra.get(`/api/sheets/${draft.id}/A`).expect(200)).body;
    expect(page).toMatchObject({ sheet: { status: 'approved' }, approval: { by: 'Ines Corte' } });
    await ines.get(`/api/drafts/${draft.id}`).expect(404);
  });

  test('a warning is answered by name before it passes', async () => {
    // A sealant without a time.
    const sealant = {
      id: 'bead',
      kind: 'apply',
      phase: 'place',
      text: 'A bead of sealant.',
      due: { when: 'beforeFirstPull' },
      compound: { kind: 'gasket sealant', place: 'gasket face' },
    } as const;
    const draft = fresh({ steps: [...headSheet.steps, sealant] });
    await save(jonah, draft).expect(200);
    const { drafts } = (await ines.get('/api/library')).body as {
      drafts: { sheet: string; warnings: number }[];
    };
    const warnings = drafts.find((d) => d.sheet === draft.id)?.warnings ?? 0;
    expect(warnings).toBeGreaterThan(0);
    expect(
      (await approve(ines, { sheet: draft.id, version: 1 }).expect(409)).body.error,
    ).toMatchObject({ code: 'DRAFT_WARNINGS', params: { count: warnings } });
    const seen = checkDraft(draft, [])
      .filter((f) => f.level === 'warning')
      .map(findingKey);
    await approve(ines, { sheet: draft.id, version: 1, seen }).expect(200);
    // The question and whose word it was stand on the sheet, and the next revision is asked anew.
    const { sheet } = (await jonah.get(`/api/sheets/${draft.id}/${draft.revision}`).expect(200))
      .body as { sheet: Sheet };
    expect(sheet.answered).toContainEqual({
      place: `steps.${draft.steps.length - 1}`,
      question: expect.stringContaining('Gasket sealant without a time') as string,
      by: 'Ines Corte',
      at: expect.any(String) as string,
    });
    expect(draftOf(sheet, 'B').answered).toBeUndefined();
  });

  test('a unit unlike the library’s other sheets of this maker is asked about', async () => {
    const stages = headSheet.stages.map((s): typeof s =>
      s.target && 'value' in s.target && s.target.unit === 'N.m'
        ? { ...s, target: { value: s.target.value, unit: '[ft_i].[lbf_av]' } }
        : s,
    );
    const draft = fresh({ stages, tellApart: [] });
    const beside = await ines
      .get(`/api/drafts/${draft.id}/beside?maker=Ostrel&engine=OB20&threads=M10%2010.9`)
      .expect(200);
    const sheets = (beside.body as { sheets: Sheet[] }).sheets;
    expect(sheets.map((s) => s.id)).toContain('ob20-flywheel');
    expect(sheets.map((s) => s.id)).not.toContain(draft.id);
    expect(checkDraft(draft, sheets).map((f) => f.code)).toContain('unitUnlike');
    await save(jonah, draft).expect(200);
    const { error } = (await approve(ines, { sheet: draft.id, version: 1 }).expect(409)).body as {
      error: { code: string };
    };
    expect(error.code).toBe('DRAFT_WARNINGS');
  });

  test('with two leads, not by the one who changed it last', async () => {
    await withSecondLead(async (mei) => {
      const draft = fresh();
      await save(ines, draft).expect(200);
      expect(
        (await approve(ines, { sheet: draft.id, version: 1 }).expect(403)).body.error.code,
      ).toBe('OWN_DRAFT');
      await approve(mei, { sheet: draft.id, version: 1 }).expect(200);
    });
    const draft = fresh();
    await save(ines, draft).expect(200);
    await approve(ines, { sheet: draft.id, version: 1 }).expect(200);
  });

  test('what stood before stands no longer, is found after it, and its body and hash are as they were', async () => {
    const draft = fresh({ title: 'Quorum head' });
    await save(ines, draft).expect(200);
    await approve(ines, { sheet: draft.id, version: 1 }).expect(200);
    const before = (await ines.get(`/api/sheets/${draft.id}/A`)).body;
    const next: Sheet = {
      ...draftOf({ ...draft, status: 'approved' }, 'B'),
      title: 'Quorum head, newer',
    };
    await save(ines, next, 0, 'A').expect(200);
    expect((await ines.get(`/api/sheets/${draft.id}/A`)).body.draft).toMatchObject({
      editor: 'Ines Corte',
    });
    expect((await approve(ines, { sheet: draft.id, version: 1 }).expect(200)).body).toEqual({
      approved: [{ sheet: draft.id, revision: 'B' }],
    });
    const after = (await ines.get(`/api/sheets/${draft.id}/A`)).body;
    expect(after.sheet).toEqual({ ...before.sheet, status: 'superseded', supersededBy: 'B' });
    expect(after.hash).toBe(before.hash);
    const found = (await jonah.get('/api/sheets?q=quorum')).body as {
      sheets: { revision: string; status: string }[];
    };
    expect(found.sheets.map((s) => `${s.revision} ${s.status}`)).toEqual([
      'B approved',
      'A superseded',
    ]);
  });

  test('several at once are all approved or none', async () => {
    const [good, bad] = [fresh(), fresh({ title: '' })];
    await save(jonah, good).expect(200);
    await save(jonah, bad).expect(200);
    await approve(ines, { sheet: good.id, version: 1 }, { sheet: bad.id, version: 1 }).expect(409);
    await ines.get(`/api/sheets/${good.id}/A`).expect(404);
    await ines.get(`/api/drafts/${good.id}`).expect(200);
  });

  test('two who approve at the same moment: one does', async () => {
    const draft = fresh();
    await save(jonah, draft).expect(200);
    const answers = await Promise.all(
      [1, 2, 3].map(() => approve(ines, { sheet: draft.id, version: 1 })),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409]);
  });

  test('a revision that stands cannot be changed in the table, not even by the server’s own role', async () => {
    await expect(
      house.db.inShop(HALDEN, (c) =>
        c.query("update sheet_revision set body = 'x' where sheet = $1", [headSheet.id]),
      ),
    ).rejects.toThrow(/permission denied/);
    await expect(
      house.db.inShop(HALDEN, (c) =>
        c.query('delete from sheet_revision where sheet = $1', [headSheet.id]),
      ),
    ).rejects.toThrow(/permission denied/);
  });
});
