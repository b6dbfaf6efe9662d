import type { Signing } from '@stennet/core/contract';
import { canonicalJson } from '@stennet/core/record';
import { house, ines, jonah, mei, petra } from '../test/theShop';
import { demoId, HALDEN } from '../test/world';
import { finishedRun, sign, wordId, signing, fileOf, QS16, bringIn } from '../test/records';

describe('signing', () => {
  test('who did the work signs first, another second; later words are added, nothing else is let in', async () => {
    const { run, count } = await finishedRun();
    expect((await sign(mei, run, count)).body.error.code).toBe('NOT_YOUR_WORK');
    expect((await sign(ines, run, count, 'second')).body.error.code).toBe('RECORD_FIRST');
    expect((await sign(jonah, run, count - 1)).body.error.code).toBe('RECORD_UNSENT');
    expect((await sign(petra, run, count)).status).toBe(403);
    const signed = (await sign(jonah, run, count).expect(200)).body as Signing;
    expect(signed).toMatchObject({ state: 'signed', wantsSecond: false, fault: null });
    expect((await sign(jonah, run, count)).body.error.code).toBe('RECORD_ALREADY_SIGNED');
    expect((await sign(jonah, run, count, 'second')).body.error.code).toBe('SECOND_IS_ANOTHER');
    expect((await sign(jonah, run, count, 'addendum', { text: '  ' })).body.error.code).toBe(
      'WORD_EMPTY',
    );
    await sign(ines, run, count, 'second').expect(200);
    const after = (
      await sign(mei, run, count, 'addendum', { text: 'Heat shield fitted the day after.' }).expect(
        200,
      )
    ).body as Signing;
    expect(after.words.map((w) => [w.kind, w.name, w.text])).toEqual([
      ['technician', 'Jonah Pike', ''],
      ['second', 'Ines Corte', ''],
      ['addendum', 'Mei Sandoval', 'Heat shield fitted the day after.'],
    ]);
    expect(after.fault).toBeNull();
  });

  test('the same signature sent again after a lost answer stands once', async () => {
    const { run, count } = await finishedRun();
    const body = { id: wordId(), kind: 'technician', position: count };
    await Promise.all([1, 2, 3].map(() => jonah.post(`/api/runs/${run}/signatures`, body)));
    expect((await signing(run)).words).toHaveLength(1);
  });

  test('a run that is not finished, or waits for the lead, is not signed', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    expect((await signing(t.place.run)).mayNot?.code).toBe('RECORD_NOT_FINISHED');
    expect((await sign(jonah, t.place.run, t.state.events.length)).body.error.code).toBe(
      'RECORD_NOT_FINISHED',
    );
  });

  const shop = (secondSignature: boolean) => ({
    secondSignature,
    timeZone: 'Europe/Lisbon',
    idleMinutes: 240,
    retentionMonths: null,
  });
  test('the shop may want a second signature for everything; only a lead or the owner decides that', async () => {
    await jonah.post('/api/shop', shop(true)).expect(403);
    await ines.post('/api/shop', shop(true)).expect(200);
    const { run, count } = await finishedRun();
    expect((await sign(jonah, run, count)).body.state).toBe('wantsSecond');
    expect((await sign(ines, run, count, 'second')).body.state).toBe('signed');
    // Letting go of it asks who it is.
    expect((await ines.post('/api/shop', shop(false))).body.error.code).toBe('PASSWORD_NEEDED');
    expect((await ines.post('/api/shop', { ...shop(false), own: 'not it' })).body.error.code).toBe(
      'SIGN_IN_WRONG',
    );
    await ines.post('/api/shop', { ...shop(false), own: 'witness-mark' }).expect(200);
  });

  test('nothing follows a signature: neither an entry nor a change of the tables by the serving role', async () => {
    const { run, count } = await finishedRun();
    await sign(jonah, run, count).expect(200);
    const fresh = await jonah.technician(await house.freshJoint());
    const [started] = fresh.finish();
    const late = { ...started, run, seq: count + 1, hold: 1, type: 'paused', payload: {} } as never;
    expect((await jonah.append(run, [late])).body.error.code).toBe('RUN_SIGNED');
    for (const text of [
      'update run_event set body = body',
      'delete from run_event',
      'update signed_word set body = body',
      'delete from signed_word',
      'update order_entry set body = body',
    ]) {
      await expect(house.db.inShop(HALDEN, (c) => c.query(text))).rejects.toThrow(
        /permission denied/,
      );
    }
  });
});

describe('found again', () => {
  const lines = async (query: string) =>
    (await petra.get(`/api/history?${query}`).expect(200)).body.lines as {
      number: string;
      vehicle: { plate: string };
      run: string;
      use: { pulls: number; ratio: number } | null;
    }[];

  test('by vehicle, kind of joint, revision, lot', async () => {
    expect((await lines('by=vehicle&vin=ZZ9BREN20H0002417')).map((l) => l.number)).toContain(
      '2374',
    );
    const plate = encodeURIComponent(
      (await lines('by=vehicle&vin=ZZ9BREN20H0002417'))[0]?.vehicle.plate ?? '',
    );
    for (const piece of [plate, plate.replace(/%20|-/g, '').toLowerCase()])
      expect((await lines(`by=plate&plate=${piece}`)).map((l) => l.number)).toContain('2374');
    await petra.get('/api/history?by=plate&plate=%25%25%25').expect(400);
    expect(
      (await lines('by=sheet&sheet=ob20-flywheel-kit&revision=A')).map((l) => l.number),
    ).toEqual(['2431', '2410', '2374']);
    expect((await lines('by=lot&lot=L%204471')).map((l) => l.number)).toEqual(['2410', '2389']);
    expect((await lines('by=joint&engine=QS16&kind=cylinder-head')).map((l) => l.number)).toEqual([
      '2402',
    ]);
  });

  test('everything tightened with a wrench, in a range of days, with how its readings lay; and as a list of whom to call', async () => {
    const all = await lines(`by=wrench&tool=${demoId(104)}`);
    expect(all.map((l) => [l.number, l.use?.pulls])).toEqual([
      ['2410', 16],
      ['2374', 16],
    ]);
    for (const l of all) expect(l.use?.ratio).toBeGreaterThan(1.005);
    const from = new Date(Date.now() - 60 * 86_400_000).toISOString().slice(0, 10);
    expect(
      (await lines(`by=wrench&tool=${demoId(104)}&from=${from}`)).map((l) => l.number),
    ).toEqual(['2410']);
    const calls = (
      await petra.get(`/api/history?by=wrench&tool=${demoId(104)}&form=csv`).expect(200)
    ).text;
    expect(calls).toContain('2410,Oduya,HQ 410 D');
  });

  test('a pull of a minute ago is found by its wrench, and one that was taken back is not counted', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    t.step();
    t.step();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    const used = async (): Promise<number | undefined> =>
      (await lines(`by=wrench&tool=${demoId(103)}`)).find((l) => l.run === t.place.run)?.use?.pulls;
    expect(await used()).toBe(2);
    const before = t.state.events.length;
    t.do('undone', { event: t.state.events.at(-1)?.id ?? '' });
    await jonah.append(t.place.run, t.state.events.toArray().slice(before)).expect(200);
    expect(await used()).toBe(1);
  });

  test('what is asked wrongly is refused, and another shop sees nothing', async () => {
    await petra.get('/api/history').expect(400);
    await petra.get('/api/history?by=wrench&tool=x').expect(400);
    const tern = await (await house.signIn('Ines Corte')).into(demoId(2));
    // Brought in by Halden: nothing of it there.
    const file = await fileOf(QS16);
    await bringIn(petra, Buffer.from(JSON.stringify(file))).expect(200);
    const { vin } = file.order.vehicle;
    expect((await petra.get(`/api/history?by=vehicle&vin=${vin}`)).body.foreign).toHaveLength(1);
    expect((await tern.get(`/api/history?by=vehicle&vin=${vin}`).expect(200)).body).toEqual({
      lines: [],
      foreign: [],
      next: null,
    });
    expect(canonicalJson((await tern.get(`/api/history?by=lot&lot=L%204471`)).body.lines)).toBe(
      '[]',
    );
  });
});
