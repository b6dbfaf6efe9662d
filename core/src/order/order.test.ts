import {
  blockers,
  jointState,
  type JointSeen,
  type RunSeen,
  jointPlaces,
  mayNotBecome,
  putIns,
  stepsFrom,
  ORDER_STATES,
  type OrderEntry,
} from '.';
import { JOB, headBolts as part } from '../testing/headBolts';

const run = (state: RunSeen['state'], over: Partial<RunSeen> = {}): RunSeen => ({
  part: 'procedure',
  instance: null,
  state,
  ...over,
});
const head = (...runs: RunSeen[]): JointSeen => ({ name: 'Head', runs, instances: null });
const tight = head(run('finished'));

describe('what holds a repair order up', () => {
  test('parts that are not here, parts that are out, the lead, joints, and what is still in', () => {
    const found = blockers({
      joints: [head(run('open', { asksLead: 1, putIn: ['crank lock'] }))],
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
    expect(mayNotBecome('toCheck', { joints: [head()], entries: [] })).toMatch(/not started/);
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
  expect(jointPlaces([tight, head(), head()])).toEqual(['done', 'next', 'later']);
  expect(jointPlaces([tight, head(run('paused')), head()])).toEqual(['done', 'inWork', 'later']);
});

describe('how far a joint is', () => {
  test('coming apart, apart, in work, tight', () => {
    const off = (state: RunSeen['state']): RunSeen => run(state, { part: 'takeApart' });
    expect(
      [
        head(),
        head(off('open')),
        head(off('finished')),
        head(off('finished'), run('open')),
        tight,
      ].map(jointState),
    ).toEqual(['notStarted', 'comingApart', 'apart', 'inWork', 'tight']);
  });

  test('with banks or caps it is tight when every one is', () => {
    const banks = (...runs: RunSeen[]): JointSeen => ({
      ...head(...runs),
      instances: { labels: ['left', 'right'] },
    });
    const left = run('finished', { instance: 'left' });
    expect(jointState(banks(left))).toBe('inWork');
    expect(jointState(banks(left, run('finished', { instance: 'right' })))).toBe('tight');
    expect(mayNotBecome('toCheck', { joints: [banks(left)], entries: [] })).toMatch(/not finished/);
  });
});

describe('what happened on the way', () => {
  const dropped: OrderEntry = {
    kind: 'dropped',
    job: JOB,
    what: 'M8 nut',
    where: 'into the bell housing',
  };
  const loosened: OrderEntry = { kind: 'loosened', job: JOB, what: 'Starter bracket' };
  const rags: OrderEntry = {
    kind: 'putIn',
    job: JOB,
    what: 'rags in the ports',
    out: false,
    count: 6,
    countOut: 5,
  };

  test('a dropped part holds the order up before all else, until it is found', () => {
    expect(blockers({ joints: [head()], entries: [dropped] })[0]).toEqual({
      by: 'dropped',
      text: 'M8 nut: dropped, not found',
    });
    expect(mayNotBecome('toCheck', { joints: [tight], entries: [dropped] })).toMatch(/not found/);
    const found = { ...dropped, found: 'magnet, bottom of the housing' };
    expect(mayNotBecome('toCheck', { joints: [tight], entries: [found] })).toMatch(
      /condition not checked/,
    );
    expect(
      mayNotBecome('toCheck', { joints: [tight], entries: [{ ...found, still: 'good' }] }),
    ).toBeNull();
  });

  test('a neighbor that was loosened is open until someone says how it was tightened', () => {
    expect(mayNotBecome('toCheck', { joints: [tight], entries: [loosened] })).toMatch(
      /Starter bracket: loosened/,
    );
    expect(
      mayNotBecome('toCheck', {
        joints: [tight],
        entries: [{ ...loosened, tight: '22 N·m, click' }],
      }),
    ).toBeNull();
  });

  test('rags are counted in and out: five of six is one too many inside', () => {
    expect(mayNotBecome('done', { joints: [tight], entries: [rags] })).toMatch(
      /1 of 6 × rags in the ports: still in/,
    );
    expect(
      mayNotBecome('done', { joints: [tight], entries: [{ ...rags, countOut: 6, out: true }] }),
    ).toBeNull();
  });
});

test('what one run put in and another took out is out; a bank has its own', () => {
  const cover = (instance: string | null): RunSeen =>
    run('finished', { part: 'takeApart', instance, putIn: ['bell cover'] });
  expect(putIns({ joints: [head(cover(null))], entries: [] })).toEqual(['bell cover']);
  expect(
    putIns({ joints: [head(cover(null), run('open', { tookOut: ['bell cover'] }))], entries: [] }),
  ).toEqual([]);
  expect(
    putIns({
      joints: [head(cover('left'), run('open', { instance: 'right', tookOut: ['bell cover'] }))],
      entries: [],
    }),
  ).toEqual(['bell cover']);
});

test('a joint that is apart waits for its turn to go together', () => {
  const apart = head(run('finished', { part: 'takeApart' }));
  expect(jointPlaces([head(), apart])).toEqual(['next', 'later']);
  expect(jointPlaces([tight, apart])).toEqual(['done', 'next']);
});

test('what belongs around the first start keeps it from being done, not from being checked; the rest may be due later', () => {
  const followUps = [
    { kind: 'afterFirstStart', text: 'Look for seeping.', state: 'open' },
    { kind: 'fluid', text: 'Oil change.', state: 'open' },
  ];
  const seen = { joints: [], entries: [], followUps };
  expect(blockers(seen)).toEqual([
    { by: 'firstStart', text: 'after the first start: Look for seeping' },
  ]);
  expect(mayNotBecome('toCheck', seen)).toBeNull();
  expect(mayNotBecome('done', seen)).toBe('after the first start: Look for seeping');
  expect(
    mayNotBecome('done', { ...seen, followUps: followUps.map((f) => ({ ...f, state: 'done' })) }),
  ).toBeNull();
});
