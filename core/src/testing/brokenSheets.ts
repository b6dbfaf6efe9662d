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
import { brokenSense } from './brokenSense';

import { brokenOrder, type Mutation } from './brokenOrder';

/** One mutation of a valid sheet each: what is found, how badly, where, and the sentence. */
export const mutations: Mutation[] = [
  ...brokenOrder,
  ...brokenSense,
  [
    'implausible',
    'error',
    'stages.1.target',
    '“50 N·m”: 180 N·m breaks M10 10.9 (228% of yield torque at normal friction).',
    stage(headSheet, 1, { target: { value: 180, unit: 'N.m' } }),
  ],
  [
    'anotherUnit',
    'warning',
    'stages.2.target',
    '89 lbf·ft for M6 8.8 fits better as lbf·in. Compare with the source.',
    stage(intake, 2, { target: { value: 89, unit: '[ft_i].[lbf_av]' } }),
  ],
  [
    'unitFactor',
    'warning',
    'stages.1.target',
    'This value and “Gearbox adapter plate, QN47” (rev A) differ by the factor between N·m and lbf·ft. Check the unit in the source.',
    stage(adapter, 1, { target: { value: 44 / 1.3558, unit: 'N.m' } }),
    [adapter],
  ],
  [
    'oneTimeUseHinted',
    'warning',
    'groups.0.reuse',
    'Head bolts are tightened past yield, but marked as reusable. Past yield a bolt stays stretched.',
    group(headSheet, { reuse: 'reuse' }),
  ],
  [
    'reuseLimitMissing',
    'error',
    'groups.0.reuse',
    'Head bolts can be reused if short enough, but the sheet gives no maximum length.',
    group(early, { maxLengthMm: undefined }),
  ],
  [
    'compoundTwice',
    'error',
    'groups.0.compounds.1',
    'Flywheel bolts: two compounds on the same place (threads). Keep one.',
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
    'Kit bolts: already coated (threads). Add none.',
    group(kit, { compounds: [{ kind: 'thread-locker', place: 'threads', preApplied: 'only' }] }),
  ],
  [
    'sealantClock',
    'warning',
    'steps.0',
    'Gasket sealant without a time. Enter its open time, or mark that the source gives none.',
    { ...intake, clocks: [] },
  ],
  [
    'neverOut',
    'error',
    'steps.2.putsIn',
    '“crank-lock” is put in and never taken out.',
    { ...flywheel, steps: flywheel.steps.filter((s) => s.id !== 'lock-out') },
  ],
  [
    'clockBackwards',
    'error',
    'clocks.1',
    'The time limit “Sealant open time” ends before it starts.',
    {
      ...intake,
      clocks: intake.clocks.map((c) => (c.id === 'open' ? { ...c, from: c.to, to: c.from } : c)),
    },
  ],
  [
    'backNowhere',
    'error',
    'steps.2.ifNot',
    '“Cam turns by hand after the check.” leads back, but names no stage.',
    camStep({ ifNot: undefined }),
  ],
  [
    'backNowhere',
    'error',
    'steps.2.ifNot',
    '“Cam turns by hand after the check.” leads back to a stage that isn’t done by then.',
    camStep({ due: { when: 'before', stage: 'inner-down' } }),
  ],
  [
    'unknownName',
    'error',
    'steps.2.ifNot',
    'This sheet has no stage “middle”.',
    camStep({ ifNot: 'middle' }),
  ],
  [
    'measureLimits',
    'error',
    'steps.2.measure',
    '“Measure the flattened strip at both ends. Don’t turn the crank meanwhile.” has no limit: end to end, max.',
    {
      ...strips,
      steps: strips.steps.map((s) =>
        s.measure ? { ...s, measure: { ...s.measure, limits: { min: 0.025, max: 0.065 } } } : s,
      ),
    },
  ],
];
