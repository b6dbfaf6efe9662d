import {
  stage,
  group,
  strips,
  intake,
  adapter,
  early,
  flywheel,
  kit,
  camStep,
} from './changedSheets';
import { headSheet } from './demoSheets';

import { brokenOrder, type Mutation } from './brokenOrder';

/** One mutation of a valid sheet each: what is found, how badly, where, and the sentence. */
export const mutations: Mutation[] = [
  ...brokenOrder,
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
