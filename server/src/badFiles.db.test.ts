import { copyOf } from '@stennet/core/draft';
import { headSheet, demoSheets } from '@stennet/core/testing';
import fc from 'fast-check';
import { counts, bring, asText } from '../test/imports';
import { ines, house } from '../test/theShop';
import { TERN } from '../test/world';

afterEach(() => house.admin.query('delete from sheet_draft'));

describe('files that are none', () => {
  test.each([
    ['nothing', ''],
    ['words', 'hello there'],
    ['a truncated file', JSON.stringify([headSheet]).slice(0, 900)],
    ['a nest without end', '['.repeat(5000)],
    ['braces without end', '{"a":'.repeat(5000)],
    ['numbers', '[1,2,3]'],
    ['an empty list', '[]'],
    ['a table without headings', '1,2\n3,4\n'],
    ['headings alone', 'sheet,revision,action\n'],
    ['bytes', Buffer.from([0x7b, 0xff, 0xfe, 0x00])],
    ['a page', '<html><script>alert(1)</script></html>'],
  ])('%s: a sentence, nothing written, the server up', async (_name, file) => {
    const before = await counts();
    for (const mode of ['look', 'write']) {
      const line = await bring(file, `mode=${mode}`);
      expect(line.error?.code ?? '').toMatch(/IMPORT_UNREADABLE|TOO_LARGE/);
      expect(line.written).toBe(false);
    }
    expect(await counts()).toBe(before);
    await ines.get('/api/me').expect(200);
  });

  test('whatever is done to a good file, it is read or refused in words, and a look writes nothing', async () => {
    const good = JSON.stringify({
      format: 'stennet-sheets',
      v: 1,
      sheets: [copyOf(headSheet, 'fuzzed-1'), copyOf(demoSheets[3] ?? headSheet, 'fuzzed-2')],
    });
    const before = await counts();
    const harm = fc.oneof(
      fc.record({
        kind: fc.constant('cut' as const),
        at: fc.nat(good.length),
        with: fc.constant(''),
      }),
      fc.record({
        kind: fc.constant('put' as const),
        at: fc.nat(good.length),
        with: fc.constantFrom(
          '\u0000',
          '"',
          '{',
          '}',
          ']',
          '-',
          '1e999',
          'null',
          '\ud83d\ude00',
          '__proto__',
          ',',
          '\\',
        ),
      }),
      fc.record({
        kind: fc.constant('word' as const),
        at: fc.nat(400),
        with: fc.constantFrom(
          'null',
          '[]',
          '{}',
          '"x"',
          '-1',
          '1e308',
          'true',
          '{"__proto__":{"x":1}}',
          `"${'y'.repeat(5000)}"`,
        ),
      }),
    );
    await fc.assert(
      fc.asyncProperty(harm, async (h) => {
        const values = [...good.matchAll(/:(-?\d[\d.]*|"[^"]*"|true|false)/g)];
        const hit = values[h.at % values.length];
        const file =
          h.kind === 'cut'
            ? good.slice(0, h.at)
            : h.kind === 'put'
              ? good.slice(0, h.at) + h.with + good.slice(h.at)
              : good.slice(0, (hit?.index ?? 0) + 1) +
                h.with +
                good.slice((hit?.index ?? 0) + (hit?.[0].length ?? 0));
        const line = await bring(file);
        expect(
          line.error === null ||
            line.error.code === 'IMPORT_UNREADABLE' ||
            line.error.code === 'TOO_LARGE',
        ).toBe(true);
        for (const r of line.refused) expect(r.message).toMatch(/[.]$/);
      }),
      { numRuns: process.env.STENNET_ALL ? 1000 : 60 },
    );
    expect(await counts()).toBe(before);
  });

  test('a sheet without end is refused while it is still coming', async () => {
    const line = await bring(`{"a":"${'x'.repeat(3000000)}"}`);
    expect(line.error?.code).toBe('TOO_LARGE');
  });
});
describe('on paper', () => {
  test('every sheet is one page of the shop’s paper', async () => {
    for (const sheet of demoSheets) {
      const reply = await asText(ines.get(`/api/sheets/${sheet.id}/${sheet.revision}/print`))
        .expect(200)
        .expect('Content-Type', 'application/pdf');
      expect(String(reply.body).match(/\/Type \/Page\b/g)).toHaveLength(1);
      expect(String(reply.body)).toContain('/MediaBox [0 0 595.28 841.89]');
    }
    await ines.get('/api/sheets/nowhere/A/print').expect(404);
  });

  test('in a shop that prints on Letter it is one page of that', async () => {
    const lead = await (await house.signIn('Ines Corte')).into(TERN);
    const { rows } = await house.admin.query<{ sheet: string; revision: string }>(
      'select sheet, revision from sheet_revision where shop = $1 limit 12',
      [TERN],
    );
    for (const { sheet, revision } of rows) {
      const { body } = await asText(lead.get(`/api/sheets/${sheet}/${revision}/print`)).expect(200);
      expect(String(body).match(/\/Type \/Page\b/g)).toHaveLength(1);
      expect(String(body)).toContain('/MediaBox [0 0 612 792]');
    }
    expect(rows.length).toBeGreaterThan(0);
  });
});
