import { blockers, jointPlaces, mayNotBecome, putIns, stepsFrom, ORDER_STATES, type OrderEntry } from '.';

const JOB = '5e000000-0000-4000-8000-000000000301';
const JOINT = '5e000000-0000-4000-8000-000000000401';
const part = (state: Extract<OrderEntry, { kind: 'part' }>['state'], need?: string): OrderEntry => ({
  kind: 'part',
  job: JOB,
  ...(need ? { need, joint: JOINT } : {}),
  what: 'Head bolts',
  count: 10,
  state,
  cents: 100,
});
const tight = { name: 'Head', run: { state: 'finished' as const } };

describe('what holds a repair order up', () => {
  test('parts that are not here, parts that are out, the lead, joints, and what is still in', () => {
    const found = blockers({
      joints: [{ name: 'Head', run: { state: 'open', asksLead: 1, putIn: ['crank lock'] } }],
      entries: [
        part('ordered'),
        part('here'),
        { kind: 'outside', what: 'Head', to: 'Quay Machine Shop', asked: 'skim', state: 'back' },
        { kind: 'putIn', job: JOB, what: 'Rag in port 2', out: false },
      ],
    });
    expect(found.map((b) => b.by)).toEqual(['part', 'outside', 'lead', 'joint', 'putIn', 'putIn']);
    expect(found[0]?.text).toBe('10 × Head bolts: ordered, not here');
  });

  test('it is not handed over with a rag in it, nor to be checked with a joint open', () => {
    const rag: OrderEntry = { kind: 'putIn', job: JOB, what: 'Rag', out: false };
    expect(mayNotBecome('done', { joints: [tight], entries: [rag] })).toMatch(/Rag: still in/);
    expect(mayNotBecome('toCheck', { joints: [{ name: 'Head', run: null }], entries: [] })).toMatch(/not started/);
    expect(mayNotBecome('done', { joints: [tight], entries: [{ ...rag, out: true }] })).toBeNull();
    expect(mayNotBecome('waiting', { joints: [], entries: [part('needed')] })).toBeNull();
    expect(putIns({ joints: [], entries: [rag] })).toEqual(['Rag']);
  });

  test('every state but the last leads somewhere, and none to itself', () => {
    for (const state of ORDER_STATES) {
      expect(stepsFrom(state)).not.toContain(state);
      expect(stepsFrom(state).length > 0).toBe(state !== 'handedOver');
    }
  });
});

test('the joints of a job: through, in work, next, later', () => {
  expect(jointPlaces([tight, { run: null }, { run: null }])).toEqual(['done', 'next', 'later']);
  expect(jointPlaces([tight, { run: { state: 'paused' } }, { run: null }])).toEqual(['done', 'inWork', 'later']);
});
