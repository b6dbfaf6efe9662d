import { freshId } from '../test/orders';
import { petra, tomas } from '../test/theShop';
import { demoId } from '../test/world';

describe('the parts list', () => {
  test('as a table: every need with its state, and nothing that a spreadsheet would run', async () => {
    await petra.post(`/api/orders/${demoId(206)}/entries/${freshId()}`, {
      version: 0,
      body: {
        kind: 'part',
        job: demoId(306),
        what: '=HYPERLINK("http://x")',
        count: 1,
        state: 'needed',
      },
      gone: false,
    });
    const { text } = await petra.get(`/api/orders/${demoId(206)}/parts?form=csv`).expect(200);
    const lines = text.trim().split('\r\n');
    expect(lines[0]).toMatch(/order,job,joint,part,count,need,state/);
    expect(lines.some((l) => /Alignment tool,1,new,needed/.test(l))).toBe(true);
    expect(text).toContain("'=HYPERLINK");
  });

  test('on paper, in either shop’s size', async () => {
    for (const [who, order, size] of [
      [petra, demoId(206), '595.28 841.89'],
      [tomas, demoId(211), '612 792'],
    ] as const) {
      const reply = await who.get(`/api/orders/${order}/parts?form=pdf`).buffer(true);
      expect(reply.headers['content-type']).toBe('application/pdf');
      expect(Buffer.from(reply.body).toString('latin1')).toContain(`MediaBox [0 0 ${size}]`);
    }
    expect((await petra.get(`/api/orders/${demoId(206)}/parts?form=xls`)).status).toBe(400);
  });
});
