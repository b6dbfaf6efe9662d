import fc from 'fast-check';
import { inEnglish } from '../language';
import type { OrderEntry } from './entries';
import { ORDER_STATES } from './names';
import {
  stationNow,
  stations,
  STATIONS,
  type OrderOnItsWay,
  type StationJoint,
  type StationRun,
} from './stations';

const id = '5e000000-0000-4000-8000-000000000001';
const run = (over: Partial<StationRun> = {}): StationRun => ({
  part: 'procedure',
  instance: null,
  state: 'open',
  signing: 'open',
  standing: { done: 3, of: 10, fastener: '4', stageName: '+75°', bags: [] },
  ...over,
});
const joint = (over: Partial<StationJoint> = {}): StationJoint => ({
  name: 'Cylinder head',
  instances: null,
  takesApart: false,
  runs: [],
  ...over,
});
const order = (over: Partial<OrderOnItsWay> = {}): OrderOnItsWay => ({
  joints: [joint()],
  entries: [],
  state: 'open',
  ...over,
});
const part = (state: 'ordered' | 'here'): OrderEntry => ({
  kind: 'part',
  job: id,
  what: 'Head bolts',
  count: 10,
  state,
});
const shown = (o: OrderOnItsWay): Record<string, string> =>
  Object.fromEntries(
    inEnglish(() => stations(o)).map((s) => [s.name, [s.state, s.fact].filter(Boolean).join(': ')]),
  );

test('a new order: tighten is next, and no teardown where no sheet describes one', () => {
  expect(shown(order())).toEqual({
    diagnosis: 'later',
    measured: 'later',
    parts: 'later',
    tighten: 'next: Cylinder head',
    sign: 'later',
    handOver: 'later',
  });
});

test('an order without a job asks for a diagnosis', () => {
  expect(shown(order({ joints: [] }))).toMatchObject({ diagnosis: 'next', tighten: 'later' });
});

test('parts that are not here block their station and are shown for the order', () => {
  const o = order({ joints: [joint({ takesApart: true })], entries: [part('ordered')] });
  expect(shown(o)).toMatchObject({
    teardown: 'next: not started',
    parts: 'blocked: 10 × Head bolts: ordered, not here',
  });
  const apart = joint({
    takesApart: true,
    runs: [
      run({
        part: 'takeApart',
        state: 'finished',
        standing: {
          done: 0,
          of: 0,
          fastener: null,
          stageName: null,
          bags: [{ bag: 'Bag 3', fasteners: ['1', '2'] }],
        },
      }),
    ],
  });
  const way = inEnglish(() => stations({ ...o, joints: [apart] }));
  expect(way.find((s) => s.name === 'teardown')).toMatchObject({
    state: 'done',
    fact: 'Bag 3: 2 fasteners',
  });
  expect(stationNow(way)?.name).toBe('parts');
});

test('a run in progress says which bolt and how far', () => {
  expect(shown(order({ joints: [joint({ runs: [run()] })] })).tighten).toBe(
    'next: bolt 4 · +75°, 3 of 10 done',
  );
});

test('tight, then signed, then handed over', () => {
  const tight = (signing: StationRun['signing']): OrderOnItsWay =>
    order({ joints: [joint({ runs: [run({ state: 'finished', signing })] })] });
  expect(shown(tight('open'))).toMatchObject({
    tighten: 'done: Cylinder head',
    sign: 'next: 1 record to sign',
  });
  expect(shown(tight('wantsSecond')).sign).toBe('next: 1 second signature missing');
  expect(shown(tight('signed'))).toMatchObject({ sign: 'done', handOver: 'next' });
  expect(shown({ ...tight('signed'), state: 'handedOver' }).handOver).toBe('done');
});

test('what waits for the lead blocks the signature', () => {
  const o = order({ joints: [joint({ runs: [run({ state: 'finished', asksLead: 1 })] })] });
  expect(shown(o)).toMatchObject({
    sign: 'blocked: Cylinder head: needs lead approval',
    handOver: 'later',
  });
});

test('whatever is on an order: every station once and in order, at most one is next', () => {
  const runs = fc.array(
    fc.record({
      part: fc.constantFrom('procedure', 'takeApart'),
      state: fc.constantFrom('open' as const, 'paused' as const, 'finished' as const),
      signing: fc.constantFrom('open' as const, 'wantsSecond' as const, 'signed' as const),
      asksLead: fc.nat(2),
    }),
    { maxLength: 3 },
  );
  const joints = fc.array(
    fc
      .record({ takesApart: fc.boolean(), runs })
      .map((j) => joint({ ...j, runs: j.runs.map((r) => run(r)) })),
    { maxLength: 3 },
  );
  const entries = fc.array(fc.constantFrom(part('ordered'), part('here')), { maxLength: 3 });
  fc.assert(
    fc.property(joints, entries, fc.constantFrom(...ORDER_STATES), (j, e, state) => {
      const way = stations(order({ joints: j, entries: e, state }));
      const names = way.map((s) => s.name);
      expect(names).toEqual(STATIONS.filter((s) => names.includes(s)));
      expect(way.filter((s) => s.state === 'next').length).toBeLessThanOrEqual(1);
      expect(stationNow(way)).toBeDefined();
    }),
  );
});
