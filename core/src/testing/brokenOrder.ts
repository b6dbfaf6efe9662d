import type { FindingCode, FindingLevel, Sheet } from '../procedure';
import {
  stage,
  plate,
  group,
  insert,
  make,
  strips,
  without,
  rods,
  damper,
  intake,
} from './changedSheets';
import { headSheet } from './demoSheets';

export type Mutation = [FindingCode, FindingLevel, string, string, Sheet, Sheet[]?];
/** One mutation of a valid sheet each: what is found, how badly, where, and the sentence. */
/** Sheets with one thing wrong in names, order or stages. */
export const brokenOrder: Mutation[] = [
  [
    'duplicateName',
    'error',
    'stages.3',
    '“first-angle” is used twice. Give each its own name.',
    stage(headSheet, 3, { id: 'first-angle' }),
  ],
  [
    'unknownName',
    'error',
    'stages.1.on.0',
    'This sheet has no fastener, group or tag “outer”.',
    stage(headSheet, 1, { on: ['outer'] }),
  ],
  [
    'unknownName',
    'error',
    'stages.2.ifNot',
    '“t1” doesn’t come before this hold point. It can only lead back.',
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
    'torqueAfterAngle',
    'warning',
    'stages.3.action',
    '“+65°” torques fastener 1 after it was turned by an angle. Loosen it in between, or make it a check.',
    stage(headSheet, 3, { action: 'torque', target: { value: 60, unit: 'N.m' } }),
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
    'The order “thirds” doesn’t work for 10 fasteners in this layout.',
    stage(headSheet, 1, { order: { rule: 'thirds' } }),
  ],
  [
    'noOrder',
    'note',
    'stages.0.order',
    'The source gives no order. Fasteners are listed as numbered. Choose an order and mark it as derived.',
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
    '“+75°” can’t be repeated. Enter each angle as its own stage.',
    stage(headSheet, 2, { repeat: { kind: 'passes', passes: 2 } }),
  ],
  [
    'repeatWrong',
    'error',
    'stages.1.repeat',
    '“pull down in part turns” repeats until seated. Enter the maximum rounds.',
    stage(plate, 1, { repeat: { kind: 'once' } }),
  ],
  [
    'compoundMissing',
    'warning',
    'groups.0.compounds',
    'Head bolts: values are for “engine oil on threads and under the head”, but no compound is given.',
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
    '“Locker on the threads” applies threadlocker before the trial torque is over. Apply it after.',
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
    '“+75°” turns fastener 1 by an angle before it has any torque.',
    without(without(headSheet, 0), 0),
  ],
  [
    'checkAfterAngle',
    'error',
    'stages.3.action',
    '“made” checks fastener 1 by torque after an angle. After an angle only the paint mark or a published minimum tells.',
    insert(headSheet, 3, make('check', { target: { value: 50, unit: 'N.m' } })),
  ],
  [
    'loosenNothing',
    'error',
    'stages.0.action',
    '“made” loosens fastener 1, which was never tightened.',
    insert(headSheet, 0, make('loosen', { loosen: 'free' })),
  ],
  [
    'torqueBelowEarlier',
    'error',
    'stages.1.target',
    '“50 N·m” is less than fastener 1 already has, and nothing is loosened in between.',
    stage(headSheet, 1, { target: { value: 20, unit: 'N.m' } }),
  ],
  [
    'trialNotOpened',
    'error',
    'stages.0.trial',
    'After the trial torque “trial 20 N·m” nothing is loosened again.',
    stage(rods, 1, { trial: undefined }),
  ],
  [
    'oldPartStays',
    'error',
    'stages.1.with',
    '“120 N·m with the old bolt” uses the old part, and no stage fits the new one.',
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
];
