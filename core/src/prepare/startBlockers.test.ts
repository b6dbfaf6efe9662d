import { demoSheet, headSheet } from '../testing';
import { narrowed, type EntryOf, type OrderEntry } from '../order';
import {
  crankHeldBy,
  doneOnce,
  leftOutBefore,
  startBlockers,
  type RunBefore,
  type StartSeen,
} from '.';

const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const run = (
  over: Partial<RunBefore>,
  standing: Partial<RunBefore['standing']> = {},
): RunBefore => ({
  part: 'procedure',
  instance: null,
  state: 'open',
  ...over,
  standing: { stage: 0, done: 0, ...standing },
});
const seen = (over: Partial<StartSeen>): StartSeen => ({
  sheet: headSheet,
  job: id(1),
  joint: id(2),
  part: 'procedure',
  instance: null,
  joints: [{ id: id(2), name: 'Cylinder head', sheetId: headSheet.id, runs: [], instances: null }],
  entries: [],
  ...over,
});
const measured: Omit<EntryOf<'measurement'>, 'verdict' | 'then'> = {
  kind: 'measurement',
  joint: id(2),
  of: 'Head face',
  what: 'flatness',
  instrument: 'feeler',
  unit: 'mm',
  uncertainty: 0,
  limits: {},
  rows: [{ row: 'A', values: [1] }],
};
const headBolts = (seen: EntryOf<'part'>['seen']): OrderEntry => ({
  kind: 'part',
  job: id(1),
  joint: id(2),
  need: 'group:head-bolts',
  what: 'Head bolts',
  count: 10,
  state: 'here',
  seen,
});

test('nothing known stands against nothing', () => {
  expect(startBlockers(seen({}))).toEqual([]);
});

test.each([
  [
    'a part at the machine shop',
    { kind: 'outside', job: id(1), what: 'Head', to: 'Quay', asked: 'Skim', state: 'away' },
    /Head is at Quay/,
  ],
  [
    'a part that is back and not checked',
    { kind: 'outside', job: id(1), what: 'Head', to: 'Quay', asked: 'Skim', state: 'back' },
    /not checked/,
  ],
  [
    'a measurement out of spec that nobody answered',
    { ...measured, verdict: 'fail' },
    /out of spec/,
  ],
  [
    'a measurement that stopped the work',
    { ...measured, verdict: 'fail', then: 'stop' },
    /stopped/,
  ],
  ['a wrong part', headBolts({ thread: 'M11' }), /doesn’t match/],
  ['something dropped', { kind: 'dropped', job: id(1), what: 'Nut', where: 'valley' }, /not found/],
] as [string, OrderEntry, RegExp][])('%s', (_what, entry, why) => {
  expect(startBlockers(seen({ entries: [entry] })).join(' ')).toMatch(why);
});

test('what is settled, or about another job, stands against nothing', () => {
  expect(
    startBlockers(
      seen({
        entries: [
          { kind: 'outside', job: id(9), what: 'Head', to: 'Quay', asked: 'Skim', state: 'away' },
          { ...measured, verdict: 'fail', then: 'machine' },
          headBolts({ thread: 'M10 x 1.5', count: 10 }),
        ],
      }),
    ),
  ).toEqual([]);
});

test('a joint that the sheet wants first is named', () => {
  const sheet = { ...headSheet, requires: ['ob20-rod-caps'] };
  const first = {
    id: id(3),
    name: 'Rod caps',
    sheetId: 'ob20-rod-caps',
    runs: [run({ state: 'open' })],
    instances: null,
  };
  expect(startBlockers(seen({ sheet, joints: [first, ...seen({}).joints] }))).toEqual([
    'Rod caps comes first and isn’t finished.',
  ]);
  expect(
    startBlockers(
      seen({
        sheet,
        joints: [{ ...first, runs: [run({ state: 'finished' })] }, ...seen({}).joints],
      }),
    ),
  ).toEqual([]);
});

test('the crank is not turned under a cap that is half-way, neither by starting nor by turning', () => {
  const sheet = demoSheet('cv30-rods');
  const [one, ...others] = sheet.instances?.labels ?? [];
  const at = (label: string | undefined): number | undefined =>
    sheet.instances?.crankDeg?.[label ?? ''];
  const apart = others.find((l) => at(l) !== at(one));
  const beside = others.find((l) => at(l) === at(one));
  const halfWay = run({ instance: one ?? '' }, { stage: 1 });
  const joints = [
    {
      id: id(2),
      name: 'Rod caps',
      sheetId: sheet.id,
      runs: [halfWay],
      instances: sheet.instances ?? null,
    },
  ];
  expect(startBlockers(seen({ sheet, joints, instance: apart ?? '' })).join(' ')).toMatch(
    /half done at another crank position/,
  );
  expect(startBlockers(seen({ sheet, joints, instance: beside ?? '' }))).toEqual([]);
  expect(crankHeldBy(sheet, { part: 'procedure', instance: beside ?? '' }, [halfWay])).toBe(one);
  expect(
    crankHeldBy(sheet, { part: 'procedure', instance: beside ?? '' }, [
      { ...halfWay, state: 'finished' },
    ]),
  ).toBeNull();
});

test('what one run left out or did once for the job is known to the next', () => {
  const runs = [
    run({ part: 'takeApart', instance: 'left', state: 'finished' }, { leftOut: ['7'] }),
    run({ instance: 'left' }, { once: ['lift'] }),
  ];
  expect(leftOutBefore(runs, 'left')).toEqual(['7']);
  expect(leftOutBefore(runs, 'right')).toEqual([]);
  expect(doneOnce(runs, 'procedure')).toEqual(['lift']);
});

test('an order about one bank asks for that bank only', () => {
  const joint = {
    id: id(2),
    instances: { labels: ['left', 'right'], pairs: [['left', 'right']] as [string, string][] },
  };
  expect(narrowed(joint, [{ kind: 'scope', joint: id(2), instances: ['left'] }]).instances).toEqual(
    { labels: ['left'], pairs: [] },
  );
  expect(narrowed(joint, [{ kind: 'scope', joint: id(3), instances: ['left'] }])).toBe(joint);
});
