import type { ShopTool } from '@stennet/core/prepare';
import { house, ines, jonah } from '../test/theShop';
import { demoId } from '../test/world';

const wrench: ShopTool = {
  kind: 'click',
  name: 'Wrench 9',
  unit: '[in_i].[lbf_av]',
  min: 10,
  max: 60,
  graduation: 0.5,
  calibratedUntil: '2027-01-01',
  lengthMm: 230,
};
const named = async (name: string): Promise<{ id: string; version: number; retired: boolean }> =>
  (await jonah.get('/api/tools')).body.tools.find((t: { tool: ShopTool }) => t.tool.name === name);

describe('the shop’s tools', () => {
  test('a lead enters one, everyone sees it, another shop does not', async () => {
    await ines
      .post(`/api/tools/${demoId(190)}`, { version: 0, tool: wrench, retired: false })
      .expect(200);
    expect(await named('Wrench 9')).toMatchObject({
      version: 1,
      retired: false,
      changedBy: 'Ines Corte',
    });
    const tomas = await house.signIn('Tomas Brandt');
    expect(
      (await tomas.get('/api/tools')).body.tools.some(
        (t: { tool: ShopTool }) => t.tool.name === 'Wrench 9',
      ),
    ).toBe(false);
    expect(
      (await jonah.post(`/api/tools/${demoId(191)}`, { version: 0, tool: wrench, retired: false }))
        .body.error.code,
    ).toBe('FORBIDDEN');
  });

  test('a change on an older version is refused, and who was first is named', async () => {
    await ines
      .post(`/api/tools/${demoId(192)}`, {
        version: 0,
        tool: { ...wrench, name: 'Wrench 10' },
        retired: false,
      })
      .expect(200);
    await ines
      .post(`/api/tools/${demoId(192)}`, {
        version: 1,
        tool: { ...wrench, name: 'Wrench 10', max: 61 },
        retired: false,
      })
      .expect(200);
    const late = await ines.post(`/api/tools/${demoId(192)}`, {
      version: 1,
      tool: { ...wrench, name: 'Wrench 10', max: 70 },
      retired: false,
    });
    expect(late.body.error).toMatchObject({ code: 'TOOL_CHANGED', params: { by: 'Ines Corte' } });
  });

  test.each([
    ['a scale that runs backwards', { min: 60, max: 10 }, 'TOOL_RANGE'],
    ['a graduation larger than the scale', { graduation: 100 }, 'TOOL_RANGE'],
    ['a negative range', { min: -5 }, 'BAD_REQUEST'],
    ['an unknown unit', { unit: 'furlong' }, 'BAD_REQUEST'],
    ['a length of a mile', { lengthMm: 1_609_344 }, 'BAD_REQUEST'],
    ['a day that is none', { calibratedUntil: 'tomorrow' }, 'BAD_REQUEST'],
  ])('%s is refused', async (_what, more, code) => {
    expect(
      (
        await ines.post(`/api/tools/${demoId(193)}`, {
          version: 0,
          tool: { ...wrench, ...more },
          retired: false,
        })
      ).body.error.code,
    ).toBe(code);
  });
});

describe('a wrench in a run', () => {
  const chosen = async (change: object) => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'chooseTool');
    const [ours] = t.place.wrenches;
    if (!ours) throw new Error('no wrench');
    t.do('wrenchChosen', { stage: 'settle', method: 'click', wrench: { ...ours, ...change } });
    return (await jonah.append(t.place.run, t.state.events.toArray())).body.refused?.code ?? null;
  };
  test('its name and its calibration may have changed since the device loaded them, its scale may not', async () => {
    expect(await chosen({ name: 'Old name', calibratedUntil: '2026-12-01' })).toBeNull();
    expect(await chosen({ graduation: 0.5 })).toBe('WRENCH_UNKNOWN');
    expect(await chosen({ lengthMm: 100 })).toBe('WRENCH_UNKNOWN');
  });
  test('an adapter must be one of the shop’s, as long as it is', async () => {
    const adapter = { tool: demoId(123), name: 'Crowfoot 13 mm', offsetMm: 38, angleDeg: 90 };
    expect(await chosen({ adapter })).toBeNull();
    expect(await chosen({ adapter: { ...adapter, offsetMm: 39 } })).toBe('WRENCH_UNKNOWN');
    expect(await chosen({ adapter: { ...adapter, tool: demoId(124) } })).toBe('WRENCH_UNKNOWN');
  });
  test('one that is overdue by the server’s list is refused, whatever the device believes', async () => {
    const { version, tool } = (await jonah.get('/api/tools')).body.tools.find(
      (t: { tool: ShopTool }) => t.tool.name.startsWith('Wrench 3'),
    );
    await ines
      .post(`/api/tools/${demoId(103)}`, {
        version,
        tool: { ...tool, calibratedUntil: '2026-11-23' },
        retired: false,
      })
      .expect(200);
    expect(await chosen({ calibratedUntil: '2027-12-01' })).toBe('WRENCH_OUT_OF_CALIBRATION');
    await ines
      .post(`/api/tools/${demoId(103)}`, { version: version + 1, tool, retired: false })
      .expect(200);
  });
});

describe('the angle disc', () => {
  test('is printed for the sheet’s angles on the shop’s paper; a square that is none is refused', async () => {
    const reply = await jonah.get('/api/sheets/brenna-2-0-head/C/disc?drive=3/8').buffer(true);
    expect(reply.headers['content-type']).toBe('application/pdf');
    expect(Buffer.from(reply.body).toString('latin1')).toContain('MediaBox [0 0 595.28 841.89]');
    expect((await jonah.get('/api/sheets/brenna-2-0-head/C/disc?drive=7/16')).status).toBe(400);
  });
  test('is printed for any angle of the bench, not for one that is none', async () => {
    const reply = await jonah.get('/api/angle-disc?angle=90&drive=1/2').buffer(true);
    expect(reply.headers['content-type']).toBe('application/pdf');
    for (const wrong of ['', '?angle=0', '?angle=721', '?angle=9.5', '?angle=90&drive=2'])
      expect((await jonah.get(`/api/angle-disc${wrong}`)).status).toBe(400);
  });
});

describe('a wrench checked against a reference', () => {
  const id = demoId(195);
  const path = (check: number): string => `/api/tools/${id}/checks/${demoId(check)}`;
  const check = (off: number, day: string, more: object = {}) => ({
    day,
    unit: wrench.unit,
    max: 60,
    graduation: 0.5,
    tolerancePercent: 6,
    reference: { name: 'Torque transducer', uncertaintyPercent: 0.5 },
    readings: [20, 60, 100].flatMap((percent) =>
      [0, 1].map(() => ({
        percent,
        direction: 'right',
        wrench: (60 * percent) / 100,
        reference: (60 * percent) / 100 / (1 + off / 100),
      })),
    ),
    ...more,
  });
  const versionNow = async (): Promise<number> =>
    (await jonah.get('/api/tools')).body.tools.find((t: { id: string }) => t.id === id).version;
  const said = async (number: number, body: object): Promise<string> => {
    const reply = await ines.post(path(number), {
      version: await versionNow(),
      due: '2027-11-16',
      ...body,
    });
    return reply.body.verdict ?? reply.body.error.code;
  };

  test('a good one sets the day of the next, a bad one takes it out of use, and both are kept', async () => {
    await ines
      .post(`/api/tools/${id}`, {
        version: 0,
        tool: { ...wrench, name: 'Wrench 11' },
        retired: false,
      })
      .expect(200);
    expect(await said(720, { check: check(1, '2026-11-16') })).toBe('within');
    expect(await named('Wrench 11')).toMatchObject({
      version: 2,
      tool: { calibratedUntil: '2027-11-16' },
    });
    // Sent again: once.
    expect(await said(720, { check: check(1, '2026-11-16') })).toBe('within');
    expect(await versionNow()).toBe(2);
    expect(await said(721, { check: check(6, '2026-11-17') })).toBe('unsure');
    expect(await named('Wrench 11')).toMatchObject({ version: 2, retired: false });
    expect(await said(722, { check: check(12, '2026-11-18') })).toBe('outside');
    expect(await named('Wrench 11')).toMatchObject({ version: 3, retired: true });
    // Entered late: the wrench of today stays as it is.
    expect(await said(723, { check: check(1, '2026-11-01') })).toBe('within');
    expect(await named('Wrench 11')).toMatchObject({ version: 3, retired: true });
    const { checks, since } = (await jonah.get(`/api/tools/${id}/checks`)).body;
    expect(checks.map((c: { day: string; verdict: string }) => [c.day, c.verdict])).toEqual([
      ['2026-11-18', 'outside'],
      ['2026-11-17', 'unsure'],
      ['2026-11-16', 'within'],
      ['2026-11-01', 'within'],
    ]);
    expect(since).toEqual({ day: '2026-11-16', joints: 0, pulls: 0 });
  });

  test('a technician reads them; what is not so is refused', async () => {
    expect(await said(730, { check: check(1, '2026-11-19', { max: 90 }) })).toBe('CHECK_SCALE');
    expect(await said(730, { check: check(1, '2031-01-01') })).toBe('CHECK_DAY');
    expect(await said(730, { check: check(1, '2026-11-19'), due: '2026-11-19' })).toBe('CHECK_DAY');
    expect(await said(730, { check: check(1, '2026-11-19', { readings: [] }) })).toBe(
      'BAD_REQUEST',
    );
    expect(await said(730, { check: check(1, '2026-11-19'), version: 1 })).toBe('TOOL_CHANGED');
    const of = { version: 1, due: '2027-11-16', check: check(1, '2026-11-19') };
    expect((await jonah.post(path(730), of)).body.error.code).toBe('FORBIDDEN');
    expect(
      (await ines.post(`/api/tools/${demoId(120)}/checks/${demoId(731)}`, of)).body.error.code,
    ).toBe('NOT_FOUND');
    const { checks } = (await jonah.get(`/api/tools/${id}/checks`)).body;
    expect(checks).toHaveLength(4);
  });

  test('says what was tightened with it since the last good check', async () => {
    const { checks, since } = (await jonah.get(`/api/tools/${demoId(102)}/checks`)).body;
    expect(checks[0]).toMatchObject({ verdict: 'within', by: 'Ines Corte' });
    const { lines } = (
      await jonah.get(`/api/history?by=wrench&tool=${demoId(102)}&from=${since.day}`)
    ).body;
    expect(since.joints).toBe(lines.length);
    expect(since.pulls).toBe(
      lines.reduce((sum: number, l: { use: { pulls: number } }) => sum + l.use.pulls, 0),
    );
    expect(since.joints).toBeGreaterThan(0);
  });
});
