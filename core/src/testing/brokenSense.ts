import type { Mutation } from './brokenOrder';
import { adapter, flywheel, group, intake, rods, stage } from './changedSheets';
import { demoSheet, headSheet } from './demoSheets';

const inLbfFt = (value: number) => ({ value, unit: '[ft_i].[lbf_av]' as const });
const bell = demoSheet('ob20-bell-housing');
/** All torques of the adapter as the same numbers in the other unit. */
const adapterInLbfFt = {
  ...adapter,
  stages: adapter.stages.map((s) =>
    s.target && 'value' in s.target ? { ...s, target: inLbfFt(s.target.value) } : s,
  ),
};
const otherMaker = { ...adapter, id: 'other', applies: { ...adapter.applies, maker: 'Tarrow' } };
const otherThread = {
  ...adapter,
  id: 'other',
  groups: adapter.groups.map((g) => ({ ...g, propertyClass: '10.9' })),
};

/** Sheets that can be read whole and mean what no page prints. */
export const brokenSense: Mutation[] = [
  [
    'unitUnlike',
    'warning',
    'stages.1.target',
    'Other torques on this sheet are in another unit. Printed as lbf·ft on the page?',
    stage(adapter, 1, { target: inLbfFt(33) }),
  ],
  [
    'unitUnlike',
    'warning',
    'stages.1.target',
    'All of the library’s sheets for M10 8.8 are in N·m. Printed as lbf·ft on the page?',
    adapterInLbfFt,
    [1, 2, 3].map((n) => ({ ...otherMaker, id: `other-${n}` })),
  ],
  [
    'unitUnlike',
    'warning',
    'stages.1.target',
    'The library’s sheets from Quillon are printed in N·m. Printed as lbf·ft on the page?',
    adapterInLbfFt,
    [otherThread],
  ],
  [
    'angleImplausible',
    'warning',
    'stages.2.target',
    'Hardly any source turns a bolt 750° at once. Check the digits.',
    stage(headSheet, 2, { target: { value: 750, unit: 'deg' } }),
  ],
  [
    'angleImplausible',
    'warning',
    'stages.3.target',
    'The angles of fastener 1 add up to 480°. Is one of them on the sheet twice?',
    stage(stage(headSheet, 2, { target: { value: 240, unit: 'deg' } }), 3, {
      target: { value: 240, unit: 'deg' },
    }),
  ],
  [
    'neverTight',
    'warning',
    'stages.0.action',
    '“by hand” starts fastener 1, and nothing ever tightens it. Right for a stud; a bolt needs its torque.',
    { ...flywheel, stages: flywheel.stages.slice(0, 1), steps: [] },
  ],
  [
    'outBeforeIn',
    'error',
    'steps.3.takesOut',
    '“crank-lock” is taken out before it is put in.',
    {
      ...flywheel,
      steps: flywheel.steps.map((s) =>
        s.takesOut
          ? { ...s, due: { when: 'before' as const, stage: 't1' } }
          : s.putsIn
            ? { ...s, due: { when: 'after' as const, stage: 'a1' } }
            : s,
      ),
    },
  ],
  [
    'oilIntoCoolant',
    'warning',
    'groups.0.compounds',
    'Head bolts: oil on threads that end in coolant. Oil doesn’t seal; check the source for sealant.',
    group(headSheet, { behind: 'coolant passage' }),
  ],
  [
    'answerNowhere',
    'error',
    'tellApart.0.answers',
    'No answer leads to this sheet.',
    { ...headSheet, id: 'another-head' },
  ],
  [
    'answerNowhere',
    'error',
    'tellApart.0.answers',
    'Every answer leads to the same sheet.',
    {
      ...headSheet,
      tellApart: headSheet.tellApart.map((t) => ({
        ...t,
        answers: t.answers.map((a) => ({ ...a, sheet: headSheet.id })),
      })),
    },
  ],
  [
    'rangeEmpty',
    'error',
    'applies.builtTo',
    'The range of “Build date” is empty: 2020-01-01 to 2019-01-01.',
    {
      ...headSheet,
      applies: { ...headSheet.applies, builtFrom: '2020-01-01', builtTo: '2019-01-01' },
    },
  ],
  [
    'rangeEmpty',
    'error',
    'stages.2.each.1.tolerance',
    'The tolerance of “20 N·m, then +60°, turn” reaches below zero.',
    stage(rods, 2, {
      each: rods.stages[2]?.each?.map((p) =>
        p.tolerance ? { ...p, tolerance: { plus: 5, minus: 60 } } : p,
      ),
    }),
  ],
  [
    'torqueBelowEarlier',
    'error',
    'stages.2.each.1.target',
    '“20 N·m, then +60°” is less than fastener A already has, and nothing is loosened in between.',
    stage(rods, 2, {
      each: [
        { id: 'torque', action: 'torque', target: { value: 20, unit: 'N.m' } },
        { id: 'again', action: 'torque', target: { value: 12, unit: 'N.m' } },
      ],
    }),
  ],
  [
    'unknownName',
    'error',
    'instances.pairs.1.0',
    'This sheet has no instance “5”.',
    {
      ...rods,
      instances: rods.instances && {
        ...rods.instances,
        pairs: [
          ['1', '4'],
          ['5', '3'],
        ],
      },
    },
  ],
  [
    'duplicateName',
    'error',
    'instances.labels.1',
    '“1” is used twice. Give each its own name.',
    {
      ...rods,
      instances: rods.instances && { ...rods.instances, labels: ['1', '1', '3', '4'] },
    },
  ],
  [
    'clockBackwards',
    'error',
    'clocks.1',
    'The time limit “Sealant open time” ends before it starts.',
    {
      ...intake,
      clocks: intake.clocks.map((c) => (c.id === 'open' ? { ...c, from: c.to } : c)),
    },
  ],
  [
    'noOrder',
    'note',
    'stages.2.order',
    'The source gives no order. Fasteners are listed as numbered. Choose an order and mark it as derived.',
    stage(bell, 2, { order: undefined }),
  ],
];
