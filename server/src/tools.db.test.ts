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
});
