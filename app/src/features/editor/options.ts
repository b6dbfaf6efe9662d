// What can be chosen, in the words it is chosen by.
import type { Group, Stage, Step } from '@stennet/core/procedure';
import { FRICTION_TEXT, type FrictionCondition } from '@stennet/core/thread';
import { MEASURE_KINDS } from '@stennet/core/measure';
import { KIND_TEXT } from '@/ui/measuring/text';

const options = <T extends string>(words: Record<T, string>): { value: T; text: string }[] =>
  Object.entries(words).map(([value, text]) => ({ value: value as T, text: text as string }));

export const ACTION_OPTIONS = options<Stage['action']>({
  torque: 'torque',
  angle: 'angle',
  check: 'check pass',
  loosen: 'slacken',
  handStart: 'start by hand',
  runDown: 'run down',
  drawDown: 'draw down in rounds',
  draw: 'draw on to a gap',
  swap: 'swap old for new',
  stretch: 'stretch',
  each: 'several on one, then the next',
  hold: 'hold point',
  do: 'a step between',
  wait: 'wait',
  turnCrank: 'turn the crank',
});
export const ORDER_OPTIONS = options<NonNullable<Stage['order']>['rule'] | 'inherit' | 'tapped'>({
  inherit: 'as before',
  centreOut: 'centre-out',
  spiral: 'spiral',
  cross: 'cross',
  star: 'star',
  thirds: 'thirds',
  ring: 'ring',
  pairs: 'pairs',
  alternating: 'alternating',
  listed: 'as numbered',
  tapped: 'as tapped on the map',
  any: 'any order',
});
export const PURPOSE_OPTIONS = options<NonNullable<Stage['purpose']>>({
  settling: 'settling',
  snug: 'snug',
  final: 'final',
  seal: 'seal',
  seating: 'seating',
});
export const REPEAT_OPTIONS = options<NonNullable<Stage['repeat']>['kind']>({
  once: 'once',
  passes: 'so many passes',
  untilSettled: 'until settled',
  untilSeated: 'until seated',
});
export const LOOSEN_OPTIONS = options<'free' | 'crack' | 'degrees'>({
  free: 'fully',
  crack: 'just eased',
  degrees: 'by degrees',
});
export const UNIT_OPTIONS = {
  torque: options({
    'N.m': 'N·m',
    '[ft_i].[lbf_av]': 'lbf·ft, foot-pounds',
    '[in_i].[lbf_av]': 'lbf·in, inch-pounds',
    'kgf.m': 'kgf·m',
    'kgf.cm': 'kgf·cm',
  }),
  length: options({ mm: 'mm', '[in_i]': 'in' }),
};
export const HEAD_OPTIONS = options<Group['head']>({
  hex: 'hex',
  '12-point': '12-point',
  '6-lobe': '6-lobe',
  'E-profile': 'E-profile',
  nut: 'nut',
  socket: 'socket',
});
export const REUSE_OPTIONS = options<Group['reuse']>({
  replace: 'used once',
  'reuse-in-place': 'again, own hole',
  'reuse-if-within-length': 'again, by length',
  reuse: 'again',
});
export const REPLACE_OPTIONS = options<NonNullable<Group['onReplace']>>({
  lead: 'the lead decides',
  single: 'that one alone',
  redo: 'everything anew',
});
export const FRICTION_OPTIONS = options<FrictionCondition>(FRICTION_TEXT);
export const STEP_OPTIONS = options<Step['kind']>({
  check: 'check',
  measure: 'measure',
  clean: 'clean',
  apply: 'apply',
  place: 'place',
  fit: 'fit',
  remove: 'remove',
  hold: 'hold point',
  tool: 'tool',
  orderTrap: 'order trap',
  photo: 'photo',
  rest: 'what it rests on',
  mark: 'paint mark',
});
export const PHASE_OPTIONS = options<Step['phase']>({
  diagnose: 'diagnose',
  parts: 'parts',
  takeApart: 'take apart',
  inspect: 'inspect',
  clean: 'clean',
  place: 'place',
});
export const DUE_OPTIONS = options<Step['due']['when']>({
  beforeFirstPull: 'before the first pull',
  before: 'before a stage',
  after: 'after a stage',
  atFailure: 'when one fails',
});
export const FAILURE_OPTIONS = options<Extract<Step['due'], { when: 'atFailure' }>['failure']>({
  broke: 'broke',
  stripped: 'stripped',
  crossThreaded: 'cross-threaded',
  driveRounded: 'drive rounded',
  wontLoosen: 'will not loosen',
});
export const MEASURE_OPTIONS = MEASURE_KINDS.map((value) => ({
  value,
  text: KIND_TEXT[value].title,
}));
export const CONSEQUENCE_OPTIONS = options<NonNullable<Step['answers']>[number]['then']>({
  goOn: 'go on',
  clean: 'clean',
  replace: 'replace',
  machine: 'machine',
  look: 'look further',
  back: 'go back to a stage',
  stop: 'stop',
});
export const STRENGTH_OPTIONS = options<'none' | 'low' | 'medium' | 'high'>({
  none: 'none',
  low: 'low',
  medium: 'medium',
  high: 'high',
});
export const READY_ON_OPTIONS = options<'none' | 'only' | 'plus'>({
  none: 'put on here',
  only: 'comes on it, add none',
  plus: 'comes on it, more is added',
});
