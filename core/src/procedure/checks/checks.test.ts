import { demoSheet, headSheet } from '../../testing';
import type { Sheet } from '../sheet';
import type { Stage } from '../stage';
import { checkSheet, FINDING_CODES, type FindingCode, type FindingLevel } from '.';

type Mutation = [FindingCode, FindingLevel, string, string, Sheet, Sheet[]?];

const stage = (sheet: Sheet, index: number, change: Partial<Stage>): Sheet => ({
  ...sheet,
  stages: sheet.stages.map((s, i) => (i === index ? { ...s, ...change } : s)),
});
const without = (sheet: Sheet, index: number): Sheet => ({
  ...sheet,
  stages: sheet.stages.filter((_, i) => i !== index),
});
const insert = (sheet: Sheet, at: number, one: Stage): Sheet => ({
  ...sheet,
  stages: [...sheet.stages.slice(0, at), one, ...sheet.stages.slice(at)],
});
const group = (sheet: Sheet, change: Partial<Sheet['groups'][number]>): Sheet => ({
  ...sheet,
  groups: sheet.groups.map((g, i) => (i === 0 ? { ...g, ...change } : g)),
});
const make = (action: Stage['action'], over: Partial<Stage> = {}): Stage => ({
  id: 'made',
  name: 'made',
  on: ['all'],
  action,
  ...over,
});

const intake = demoSheet('cv30-intake');
const damper = demoSheet('bv48-damper');
const rods = demoSheet('ob20-rod-caps');
const adapter = demoSheet('qn47-adapter');
const flywheel = demoSheet('ob20-flywheel');
const kit = demoSheet('ob20-flywheel-kit');
const plate = demoSheet('tf25-pressure-plate');
const early = demoSheet('brenna-2-0-head-early');

const strips = demoSheet('cv30-rods');
const cams = demoSheet('tf25-cam-caps');
const camStep = (change: Partial<Sheet['steps'][number]>): Sheet => ({
  ...cams,
  steps: cams.steps.map((s) => (s.id === 'slack' ? { ...s, ...change } : s)),
});

/** One mutation of a valid sheet each: what is found, how badly, where, and the sentence. */
const mutations: Mutation[] = [
  [
    'duplicateName',
    'error',
    'stages.3',
    '“first-angle” is there twice; each needs a name of its own.',
    stage(headSheet, 3, { id: 'first-angle' }),
  ],
  [
    'unknownName',
    'error',
    'stages.1.on.0',
    'There is no fastener, group or tag “outer” on this sheet.',
    stage(headSheet, 1, { on: ['outer'] }),
  ],
  [
    'unknownName',
    'error',
    'stages.2.ifNot',
    '“t1” does not come before this hold point; it can only lead back.',
    stage(plate, 2, { ifNot: 't1' }),
  ],
  [
    'neverReached',
    'error',
    'seats.9',
    'Fastener 10 is never tightened: no stage names it.',
    {
      ...headSheet,
      stages: headSheet.stages.map((s) => ({
        ...s,
        on: ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
      })),
    },
  ],
  [
    'pulledTwice',
    'error',
    'stages.1.order',
    'Fastener 4 comes twice in one pass of “50 N·m”.',
    stage(headSheet, 1, { order: { rule: 'listed', labels: ['1', '4', '2', '4'] } }),
  ],
  [
    'orderIncomplete',
    'error',
    'stages.1.order',
    'The order of “50 N·m” leaves out 10.',
    stage(headSheet, 1, {
      order: { rule: 'listed', labels: ['1', '2', '3', '4', '5', '6', '7', '8', '9'] },
    }),
  ],
  [
    'orderImpossible',
    'error',
    'stages.1.order',
    'The order “thirds” does not go with 10 fasteners as they lie.',
    stage(headSheet, 1, { order: { rule: 'thirds' } }),
  ],
  [
    'noOrder',
    'note',
    'stages.0.order',
    'The source gives no order. Fasteners are shown as listed; choose an order, marked as derived.',
    { ...headSheet, stages: headSheet.stages.map(({ order: _order, ...s }) => s) },
  ],
  [
    'targetMissing',
    'error',
    'stages.1.target',
    '“50 N·m” has no value.',
    stage(headSheet, 1, { target: undefined }),
  ],
  [
    'targetUnit',
    'error',
    'stages.2.target.unit',
    '“+75°” needs an angle, but its unit is N·m.',
    stage(headSheet, 2, { target: { value: 75, unit: 'N.m' } }),
  ],
  [
    'rangeEmpty',
    'error',
    'stages.1.target',
    'The range of “50 N·m” is empty: 50 to 45.',
    stage(headSheet, 1, { target: { min: 50, max: 45, unit: 'N.m' } }),
  ],
  [
    'repeatWrong',
    'error',
    'stages.2.repeat',
    '“+75°” cannot be repeated; write each turn as a stage of its own.',
    stage(headSheet, 2, { repeat: { kind: 'passes', passes: 2 } }),
  ],
  [
    'repeatWrong',
    'error',
    'stages.1.repeat',
    '“draw down by part-turns” goes round until seated; say how many rounds at most.',
    stage(plate, 1, { repeat: { kind: 'once' } }),
  ],
  [
    'compoundMissing',
    'warning',
    'groups.0.compounds',
    'Head bolts: published for “engine oil on threads and under the head”, and nothing says what goes on them.',
    {
      ...group(headSheet, {
        compounds: [],
        frictionCondition: 'engineOil',
        friction: 'engine oil on threads and under the head',
      }),
      steps: headSheet.steps.filter((s) => !s.compound),
    },
  ],
  [
    'endsSlack',
    'error',
    'stages.4.action',
    '“made” leaves fastener 1 loose, and nothing tightens it after that.',
    insert(headSheet, 4, make('loosen', { loosen: 'free' })),
  ],
  [
    'compoundBeforeTrial',
    'error',
    `steps.${strips.steps.length}.due`,
    '“Locker on the threads” puts thread-locker on before the trial is over. It goes on after the trial has been opened.',
    {
      ...strips,
      steps: [
        ...strips.steps,
        {
          id: 'locker',
          kind: 'apply',
          phase: 'place',
          text: 'Locker on the threads',
          due: { when: 'before', stage: strips.stages.find((x) => x.trial)?.id ?? '' },
          compound: { kind: 'thread-locker', place: 'threads', strength: 'medium' },
        },
      ],
    },
  ],
  [
    'angleWithoutTorque',
    'error',
    'stages.0.action',
    '“+75°” turns fastener 1 by an angle before it has any torque to start from.',
    without(without(headSheet, 0), 0),
  ],
  [
    'checkAfterAngle',
    'error',
    'stages.3.action',
    '“made” checks fastener 1 by torque after an angle; from the first angle on only the stripe or a published floor tells.',
    insert(headSheet, 3, make('check', { target: { value: 50, unit: 'N.m' } })),
  ],
  [
    'loosenNothing',
    'error',
    'stages.0.action',
    '“made” slackens fastener 1, which was never tightened.',
    insert(headSheet, 0, make('loosen', { loosen: 'free' })),
  ],
  [
    'torqueBelowEarlier',
    'error',
    'stages.1.target',
    '“50 N·m” is below what fastener 1 already has, and nothing is slackened between.',
    stage(headSheet, 1, { target: { value: 20, unit: 'N.m' } }),
  ],
  [
    'trialNotOpened',
    'error',
    'stages.0.trial',
    'After the trial “trial 20 N·m” nothing opens it again.',
    stage(rods, 1, { trial: undefined }),
  ],
  [
    'oldPartStays',
    'error',
    'stages.1.with',
    '“120 N·m with the old bolt” uses the old part, and no stage puts the new one in.',
    stage(damper, 2, { action: 'wait', waitUntil: { minutes: 1 } }),
  ],
  [
    'nothingNamed',
    'error',
    'stages.0.on',
    '“44 lbf·in” names no fastener.',
    stage(
      {
        ...intake,
        pattern: {
          ...intake.pattern,
          positions: [...intake.pattern.positions, { label: '99', xMm: 0, yMm: 0, tags: ['lost'] }],
        },
      },
      0,
      { on: ['lost'] },
    ),
  ],
  [
    'implausible',
    'error',
    'stages.1.target',
    '“50 N·m”: 180 N·m breaks M10 10.9: 228 % of its yield torque at ordinary friction.',
    stage(headSheet, 1, { target: { value: 180, unit: 'N.m' } }),
  ],
  [
    'anotherUnit',
    'warning',
    'stages.2.target',
    '89 lbf·ft for M6 8.8 would fit better as lbf·in. Compare with the source’s own text.',
    stage(intake, 2, { target: { value: 89, unit: '[ft_i].[lbf_av]' } }),
  ],
  [
    'unitFactor',
    'warning',
    'stages.1.target',
    'This value and the one of “Gearbox adapter plate, QN47” (rev A) differ by the factor between N·m and lbf·ft. Read the unit in the source again.',
    stage(adapter, 1, { target: { value: 44 / 1.3558, unit: 'N.m' } }),
    [adapter],
  ],
  [
    'oneTimeUseHinted',
    'warning',
    'groups.0.reuse',
    'Head bolts are turned past yield, yet may be used again. Past yield a bolt stays longer for good.',
    group(headSheet, { reuse: 'reuse' }),
  ],
  [
    'reuseLimitMissing',
    'error',
    'groups.0.reuse',
    'Head bolts may be used again if short enough, but the sheet gives no length.',
    group(early, { maxLengthMm: undefined }),
  ],
  [
    'compoundTwice',
    'error',
    'groups.0.compounds.1',
    'Flywheel bolts: two compounds on the threads. Only one of them can be right.',
    group(flywheel, {
      compounds: [
        ...(flywheel.groups[0]?.compounds ?? []),
        { kind: 'anti-seize', place: 'threads' },
      ],
    }),
  ],
  [
    'compoundTwice',
    'error',
    'steps.0.compound',
    'Kit bolts come with locker on the threads; add none.',
    group(kit, { compounds: [{ kind: 'thread-locker', place: 'threads', preApplied: 'only' }] }),
  ],
  [
    'sealantClock',
    'warning',
    'steps.0',
    'Gasket sealant without a time: give its open time, or say that none is published.',
    { ...intake, clocks: [] },
  ],
  [
    'neverOut',
    'error',
    'steps.2.putsIn',
    '“crank-lock” is put in for the job and never taken out.',
    { ...flywheel, steps: flywheel.steps.filter((s) => s.id !== 'lock-out') },
  ],
  [
    'clockBackwards',
    'error',
    'clocks.1',
    'The clock “Sealant stays open” ends before it begins.',
    {
      ...intake,
      clocks: intake.clocks.map((c) => (c.id === 'open' ? { ...c, from: c.to, to: c.from } : c)),
    },
  ],
  [
    'backNowhere',
    'error',
    'steps.2.ifNot',
    '“Cam turns by hand after the check.” leads back, and no stage is named.',
    camStep({ ifNot: undefined }),
  ],
  [
    'backNowhere',
    'error',
    'steps.2.ifNot',
    '“Cam turns by hand after the check.” leads back to a stage that is not done by then.',
    camStep({ due: { when: 'before', stage: 'inner-down' } }),
  ],
  [
    'unknownName',
    'error',
    'steps.2.ifNot',
    'There is no stage “middle” on this sheet.',
    camStep({ ifNot: 'middle' }),
  ],
  [
    'measureLimits',
    'error',
    'steps.2.measure',
    '“Width of the flattened strip at both its ends. Nobody turns the crank meanwhile.” has no limit: from end to end, at most.',
    {
      ...strips,
      steps: strips.steps.map((s) =>
        s.measure ? { ...s, measure: { ...s.measure, limits: { min: 0.025, max: 0.065 } } } : s,
      ),
    },
  ],
];

test.each(mutations.map((m) => [m[0], m[3], m] as const))(
  '%s: %s',
  (_code, _sentence, [code, level, place, message, sheet, others]) => {
    expect(checkSheet(sheet, others)).toContainEqual({ code, level, place, message });
  },
);

test('every check has its broken sheet', () => {
  expect([...new Set(mutations.map((m) => m[0]))].sort()).toEqual([...FINDING_CODES].sort());
});
