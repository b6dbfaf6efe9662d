import { draftOf } from '@stennet/core/draft';
import type { Sheet } from '@stennet/core/procedure';
import { canonicalJson } from '@stennet/core/record';
import { demoSheet } from '@stennet/core/testing';
import { fresh, save, approve, made } from '../test/drafts';
import { ines, petra, tomas, jonah, house } from '../test/theShop';
import { demoId, HALDEN } from '../test/world';

afterEach(() => house.admin.query('delete from sheet_draft'));

describe('what uses a sheet', () => {
  test('a joint not begun takes the newer revision; one with a run keeps its own and says so', async () => {
    const draft = fresh();
    await save(ines, draft).expect(200);
    await approve(ines, { sheet: draft.id, version: 1 }).expect(200);
    const joint = `7f000000-0000-4000-8000-${String(made).padStart(12, '0')}`;
    const added = { joint, name: 'Head, second time', sheet: draft.id, revision: 'A' };
    await petra.post(`/api/jobs/${demoId(301)}/joints`, added).expect(200);
    await petra.post(`/api/jobs/${demoId(301)}/joints`, added).expect(200);
    await tomas
      .post(`/api/jobs/${demoId(301)}/joints`, { ...added, joint: demoId(999) })
      .expect(404);
    const t = await jonah.technician(joint, { ...draft, status: 'approved' });
    const begun = `7f000000-0000-4000-8000-${String(made + 5000).padStart(12, '0')}`;
    await petra.post(`/api/jobs/${demoId(301)}/joints`, { ...added, joint: begun }).expect(200);
    const started = t.step();
    if (!started) throw new Error('nothing to start with');
    await jonah.append(t.place.run, [started]).expect(200);

    await save(ines, { ...draftOf(draft, 'B'), title: 'Newer' }, 0, 'A').expect(200);
    await approve(ines, { sheet: draft.id, version: 1 }).expect(200);
    const { replaced } = (await ines.get('/api/library')).body as {
      replaced: { joint: string; by: string; state: string | null }[];
    };
    expect(
      replaced.filter((r) => [joint, begun].includes(r.joint)).map((r) => [r.joint, r.by, r.state]),
    ).toEqual([
      [begun, 'B', null],
      [joint, 'B', 'open'],
    ]);
    expect((await jonah.get(`/api/joints/${begun}/sheet`)).body).toMatchObject({
      supersededBy: 'B',
      sheet: { revision: 'A' },
    });
    expect((await jonah.get(`/api/runs/${t.place.run}`)).body).toMatchObject({
      supersededBy: 'B',
      sheet: { revision: 'A', title: draft.title },
    });
    expect(
      (
        await jonah
          .post(`/api/joints/${joint}/sheet`, { sheet: draft.id, revision: 'B' })
          .expect(409)
      ).body.error.code,
    ).toBe('JOINT_BEGUN');
    expect(
      (
        await jonah
          .post(`/api/joints/${begun}/sheet`, { sheet: 'brenna-2-0-head', revision: 'B' })
          .expect(409)
      ).body.error.code,
    ).toBe('SHEET_NOT_STANDING');
    await jonah.post(`/api/joints/${begun}/sheet`, { sheet: draft.id, revision: 'B' }).expect(200);
    expect((await jonah.get(`/api/joints/${begun}/sheet`)).body).toMatchObject({
      supersededBy: null,
      sheet: { title: 'Newer' },
    });
  });
});
describe('the library for devices offline', () => {
  test('comes in pieces, each sheet once, and afterwards only what is new', async () => {
    const all = new Map<string, Sheet>();
    let after: string | null = null;
    const catchUp = async (): Promise<Sheet[]> => {
      const news: Sheet[] = [];
      for (;;) {
        const { body } = await jonah
          .get(`/api/library/changes${after ? `?after=${encodeURIComponent(after)}` : ''}`)
          .expect(200);
        news.push(...(body.sheets as Sheet[]));
        after = body.after as string | null;
        if (!body.more) return news;
      }
    };
    for (const sheet of await catchUp()) all.set(`${sheet.id} ${sheet.revision}`, sheet);
    expect(canonicalJson(all.get('bv48-damper B'))).toBe(canonicalJson(demoSheet('bv48-damper')));
    expect(await catchUp()).toEqual([]);
    const draft = fresh();
    await save(ines, draft).expect(200);
    await approve(ines, { sheet: draft.id, version: 1 }).expect(200);
    await save(ines, { ...draftOf(draft, 'B'), title: 'Newer' }, 0, 'A').expect(200);
    await approve(ines, { sheet: draft.id, version: 1 }).expect(200);
    expect((await catchUp()).map((s) => `${s.revision} ${s.status}`)).toEqual([
      'A superseded',
      'B approved',
    ]);
    await jonah.get('/api/library/changes?after=x').expect(400);
  });
});
describe('a vehicle that was here before', () => {
  const known = async (q: string, who = jonah) =>
    (await who.get(`/api/vehicles?q=${encodeURIComponent(q)}`).expect(200)).body.vehicles;

  test('is found by any piece of its plate or VIN, with and without blanks, or by whose it is', async () => {
    const { rows } = await house.admin.query<{ vin: string; plate: string; customer: string }>(
      "select vehicle ->> 'vin' as vin, vehicle ->> 'plate' as plate, customer from repair_order where shop = $1 order by number limit 1",
      [HALDEN],
    );
    const [row] = rows;
    if (!row) throw new Error('the demo has no repair order');
    const { vin, plate, customer } = row;
    const itself = expect.objectContaining({ vehicle: expect.objectContaining({ plate }) });
    for (const typed of [
      vin.toLowerCase(),
      vin.slice(9),
      plate,
      plate.replace(/[^A-Za-z0-9]/g, '').toLowerCase(),
      customer.toLowerCase(),
    ])
      expect(await known(typed)).toContainEqual(itself);
    expect(await known(vin, tomas)).toEqual([]);
    await jonah.get('/api/vehicles?q=z').expect(400);
    await jonah.get('/api/vehicles?q=%25%25%25').expect(400);
  });
});
