import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { headSheet, Technician } from '../testing';
import {
  canonicalJson,
  firstBreak,
  GENESIS_HASH,
  hashWith,
  runRecord,
  sealEvent,
  sha256Hex,
} from '.';

function chain(): { body: string; hash: string }[] {
  const t = new Technician(headSheet);
  const rows: { body: string; hash: string }[] = [];
  for (const [index, event] of t.finish().entries()) {
    rows.push(
      sealEvent({
        position: index + 1,
        receivedAt: event.deviceTime,
        prevHash: rows.at(-1)?.hash ?? GENESIS_HASH,
        event,
      }),
    );
  }
  return rows;
}

describe('the hash chain', () => {
  test('SHA-256 of “abc” is the published digest (FIPS 180-4)', () => {
    expect(sha256Hex('abc')).toBe(
      'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    );
  });

  test('a platform’s own hash is taken where it is SHA-256, and gives the same for every text', () => {
    const native = (text: string): string => createHash('sha256').update(text).digest('hex');
    expect(() => hashWith(() => native('abc'))).toThrow('not SHA-256');
    expect(() => hashWith((text) => native(text.normalize('NFD')))).toThrow('not SHA-256');
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const plain = sha256Hex(text);
        expect(native(text)).toBe(plain);
      }),
    );
    hashWith(native);
    expect(sha256Hex('abc')).toBe(native('abc'));
  });

  test('the same value gives the same bytes in whatever order its keys were written', () => {
    expect(canonicalJson({ b: [1.0, 'é'], a: { d: null, c: 1e21 } })).toBe(
      '{"a":{"c":1e+21,"d":null},"b":[1,"é"]}',
    );
  });

  test('an untouched chain holds; a changed, removed or swapped entry is named', () => {
    const rows = chain();
    expect(firstBreak(rows)).toBeNull();
    fc.assert(
      fc.property(fc.integer({ min: 1, max: rows.length - 2 }), (at) => {
        const changed = rows.map((r, i) =>
          i === at ? { ...r, body: r.body.replace('Z"', '0Z"') } : r,
        );
        expect(firstBreak(changed)).toEqual({ position: at + 1, why: 'text' });
        const forged = changed.map((r, i) => (i === at ? { ...r, hash: sha256Hex(r.body) } : r));
        expect(firstBreak(forged)).toEqual({ position: at + 2, why: 'link' });
        expect(firstBreak(rows.filter((_, i) => i !== at))).toEqual({
          position: at + 1,
          why: 'link',
        });
      }),
    );
  });
});

describe('the record of a run', () => {
  test('has every pull on every fastener, what was aimed at, by whom, with what', () => {
    const t = new Technician(headSheet);
    t.finish();
    const record = runRecord(headSheet, t.state.events);
    expect(record).toMatchObject({
      complete: true,
      pullCount: 50,
      passes: { settle: 2, snug: 1 },
      deviations: [],
    });
    expect(record.fasteners).toHaveLength(10);
    expect(
      record.fasteners[0]?.pulls.map((p) => [p.stage, p.pass, p.outcome, p.method, p.wrench]),
    ).toEqual([
      ['settle', 1, 'turned', 'click', 'inch-pounds'],
      ['settle', 2, 'heldStill', 'click', 'inch-pounds'],
      ['snug', 1, 'clicked', 'click', 'large'],
      ['first-angle', 1, 'reached', 'angleGauge', null],
      ['second-angle', 1, 'reached', 'angleGauge', null],
    ]);
  });

  test('shows what was taken back beside what counts, and a replaced bolt before its replacement', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'pull' && d.stage.id === 'first-angle');
    const first = t.step();
    t.do('undone', { event: first?.id ?? '' });
    t.step({ fails: 'broke' });
    t.finish();
    const record = runRecord(headSheet, t.state.events);
    expect(record.fasteners.slice(0, 2).map((f) => [f.fastener, f.replaced])).toEqual([
      ['1/1', true],
      ['1/2', false],
    ]);
    expect(record.fasteners[0]?.pulls.filter((p) => p.undone)).toHaveLength(1);
    expect(record.deviations).toMatchObject([
      { kind: 'replaced', fastener: '1/1', needsLead: false },
    ]);
  });
});
