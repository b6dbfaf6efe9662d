import fc from 'fast-check';
import { headSheet, testId } from '../testing';
import {
  faultText,
  newerRecord,
  orderFault,
  recordDocument,
  recordFileHash,
  sha256Hex,
  signingState,
  verifyRecordFile,
  verifyRun,
  wordHash,
  type RecordFile,
} from '.';
import { pinned, chain, fits, signed, word, chainOf, own, seal, t, hash } from '../testing/aRecord';

describe('a record that no one touched', () => {
  test('holds, unsigned and signed by two with a later word', () => {
    expect(verifyRun(pinned, chain, [], fits)).toBeNull();
    const first = signed(word());
    const second = signed(
      word({ id: testId(51), kind: 'second', person: testId(6), before: wordHash(first.body) }),
    );
    const later = signed(
      word({
        id: testId(52),
        kind: 'addendum',
        text: 'Ölstand geprüft.',
        before: wordHash(second.body),
      }),
    );
    expect(verifyRun(pinned, chain, [first, second, later], fits)).toBeNull();
    // One in the middle taken away.
    expect(verifyRun(pinned, chain, [first, later], fits)).toEqual({
      where: 'signature',
      index: 2,
      why: 'link',
    });
  });
});

describe('a record that someone touched', () => {
  test('whichever entry is changed, that one is named', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: chain.length - 1 }),
        fc.boolean(),
        (at, hashesAgain) => {
          const rows = chain.map((row, i) =>
            i === at ? { ...row, body: row.body.replace('2026-11-24T09', '2026-11-24T08') } : row,
          );
          const changed = hashesAgain
            ? rows.map((row, i) => (i === at ? { ...row, hash: sha256Hex(row.body) } : row))
            : rows;
          expect(verifyRun(pinned, changed, [], fits)).toMatchObject({
            where: 'event',
            position: at + 1,
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  test('rewritten from any place on with every hash made to fit, it breaks at that place; cut short, its signature does not fit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: chain.length - 1 }), (from) => {
        const again = chainOf(
          own.map((e, i) =>
            i >= from
              ? { ...e, deviceTime: new Date(Date.parse(e.deviceTime) + 1000).toISOString() }
              : e,
          ) as typeof own,
        );
        const rows = again.map((row, i) => ({ ...row, seal: chain[i]?.seal ?? null }));
        expect(verifyRun(pinned, rows, [], fits)).toEqual({
          where: 'event',
          position: from + 1,
          why: 'seal',
        });
        expect(verifyRun(pinned, chain.slice(0, from), [signed(word())], fits)).toEqual({
          where: 'signature',
          index: 1,
          why: 'head',
        });
      }),
      { numRuns: 40 },
    );
  });

  test('names an entry that has a good seal but that the procedure never let in', () => {
    const doubled = chainOf([...own.slice(0, 20), own[19] as never, ...own.slice(20)]);
    expect(verifyRun(pinned, doubled, [], fits)).toMatchObject({
      where: 'event',
      position: 21,
      why: 'order',
    });
    expect(verifyRun({ ...pinned, run: testId(77) }, chain, [], fits)).toMatchObject({
      where: 'event',
      position: 1,
      why: 'order',
    });
    expect(
      verifyRun({ ...pinned, sheet: { ...headSheet, title: 'Another' } }, chain, [], fits),
    ).toEqual({ where: 'sheet', why: 'hash' });
    expect(verifyRun(pinned, chain, [{ body: '{}', signature: seal('{}') }], fits)).toEqual({
      where: 'signature',
      index: 1,
      why: 'form',
    });
    expect(verifyRun(pinned, chain, [signed(word({ run: testId(9) }))], fits)).toEqual({
      where: 'signature',
      index: 1,
      why: 'run',
    });
  });

  test('every fault is a sentence', () => {
    const faults = [
      verifyRun(pinned, chain.slice(1), [], fits),
      verifyRun(pinned, chain, [{ body: 'x', signature: 'y' }], fits),
      { where: 'record', why: 'differs' },
      { where: 'file', why: 'seal' },
      { where: 'order', signedFor: { number: '1', vin: 'A', joint: 'j' } },
    ] as const;
    for (const fault of faults) expect(fault && faultText(fault)).toMatch(/^[A-Z].*\.$/);
  });
});

test('a file tells the same in plain fields, or it is found out', () => {
  const people = { [t.place.person]: 'Jonah Pike' };
  const word0 = signed(word({ of: { number: '2402', vin: 'ZZ9X', joint: 'Cylinder head' } }));
  const plain = {
    format: 'stennet-record',
    v: 1,
    shop: { id: testId(1), name: 'X', key: 'AAAA', fingerprint: 'x' },
    order: {
      number: '2402',
      vehicle: { vin: 'ZZ9X', plate: 'HQ 1' },
      odometer: { value: 5, unit: 'km' },
    },
    joint: 'Cylinder head',
    run: { id: t.place.run, part: 'procedure', instance: null },
    sheet: headSheet,
    sheetHash: hash,
    people,
    chain: chain.map((c) => ({ ...c, seal: c.seal ?? '' })),
    signatures: [word0],
    record: { ...recordDocument(headSheet, own, people) },
  } as unknown as RecordFile;
  const file = { ...plain, seal: seal(recordFileHash(plain)) };
  expect(verifyRecordFile(file, fits)).toBeNull();
  expect(recordFileHash(file)).toBe(recordFileHash(plain));
  expect(verifyRecordFile({ ...file, record: { ...file.record, complete: false } }, fits)).toEqual({
    where: 'record',
    why: 'differs',
  });
  const of = { number: '2402', vin: 'ZZ9X', joint: 'Cylinder head' };
  // What was signed for is named; what no one signed for is found by the seal of the file.
  const other = {
    ...file,
    order: { ...file.order, vehicle: { ...file.order.vehicle, vin: 'ZZ9Y' } },
  };
  expect(verifyRecordFile(other, fits)).toEqual({ where: 'order', signedFor: of });
  const changed: Partial<RecordFile>[] = [
    { order: { ...file.order, odometer: { value: 6, unit: 'km' } } },
    { order: { ...file.order, vehicle: { ...file.order.vehicle, plate: 'HQ 2' } } },
    { shop: { ...file.shop, name: 'Y' } },
    { signatures: [] },
    { seal: seal('x') },
  ];
  for (const change of changed)
    expect(verifyRecordFile({ ...file, ...change }, fits)).toEqual({ where: 'file', why: 'seal' });
  // A later state of it takes its place, an earlier or the same one is known, anything else is
  // another.
  const shorter = { ...file, chain: file.chain.slice(0, -1), signatures: [] };
  expect([
    newerRecord(shorter, file),
    newerRecord({ ...file, signatures: [] }, file),
    newerRecord(file, file),
    newerRecord(file, shorter),
  ]).toEqual(['newer', 'newer', 'known', 'known']);
  const elsewhere = { ...file, shop: { ...file.shop, key: 'BBBB' } };
  expect([
    newerRecord(file, elsewhere),
    newerRecord(file, { ...file, chain: [...shorter.chain, { body: '{}', hash: '0', seal: '' }] }),
  ]).toEqual(['other', 'other']);
  // A name stands in the plain fields too, where someone with two hands changes both.
  const renamed = { [t.place.person]: 'Somebody Else' };
  expect(verifyRecordFile({ ...file, people: renamed }, fits)).toEqual({
    where: 'record',
    why: 'differs',
  });
  expect(
    verifyRecordFile(
      { ...file, people: renamed, record: { ...recordDocument(headSheet, own, renamed) } },
      fits,
    ),
  ).toEqual({ where: 'file', why: 'seal' });
});

test('the last word that names what it was signed for counts; words from before that was kept say nothing', () => {
  const [a, b] = [
    { number: '1', vin: 'A', joint: 'j' },
    { number: '1', vin: 'B', joint: 'j' },
  ];
  expect(orderFault([word(), word()], a)).toBeNull();
  expect(orderFault([word({ of: a }), word()], b)).toEqual({ where: 'order', signedFor: a });
  expect(orderFault([word({ of: a }), word({ of: b })], b)).toBeNull();
});

test('who has to sign: the technician, and a second one where that is wanted', () => {
  const [first, second] = [
    { kind: 'technician', person: 'a' },
    { kind: 'second', person: 'b' },
  ] as const;
  expect([
    signingState([], true),
    signingState([first], true),
    signingState([first, second], true),
    signingState([first], false),
  ]).toEqual(['open', 'wantsSecond', 'signed', 'signed']);
});
