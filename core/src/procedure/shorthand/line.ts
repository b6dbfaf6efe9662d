import type { Quantity } from '../../quantity';
import type { FrictionCondition } from '../../thread';
import type { Group } from '../sheet';
import type { Action, Order, PURPOSES, Repeat } from '../stage';

/** What one line of shorthand can say: fasteners, and stages one after the other. */
export interface Line {
  groups: LineGroup[];
  stages: LineStage[];
}

export interface LineGroup {
  count: number;
  designation: string;
  pitchMm: number;
  propertyClass: string;
  reuse: Group['reuse'];
  condition: FrictionCondition;
  /** What the fasteners are called, and the name that stages use for them. */
  name?: string;
  id?: string;
}

export type LineAction = Extract<
  Action,
  | 'torque'
  | 'angle'
  | 'check'
  | 'loosen'
  | 'handStart'
  | 'runDown'
  | 'drawDown'
  | 'swap'
  | 'stretch'
  | 'wait'
  | 'each'
  | 'hold'
>;

/** One of several things done on a bolt before the next one is touched. */
export interface LinePart {
  action: Extract<Action, 'torque' | 'angle' | 'loosen' | 'handStart' | 'runDown'>;
  value?: Quantity;
  upTo?: number;
  plusMinus?: number;
  loosen?: Loosened;
}
export type Loosened = 'free' | 'crack' | { degrees: number };

export interface LineStage {
  /**
   * Names of fasteners, groups or tags; all where it says nothing; `rest`: those that the stage
   * before left out.
   */
  on: string[];
  action: LineAction;
  value?: Quantity;
  /** Upper end of a range whose lower end is `value`. */
  upTo?: number;
  /** Inside the range, as the source recommends it. */
  recommended?: number;
  /** Even to both sides, in the unit of the value. */
  plusMinus?: number;
  loosen?: Loosened;
  each?: LinePart[];
  /** hold: what is checked before it goes on. */
  text?: string;
  minutes?: number;
  order?: Order;
  repeat?: Exclude<Repeat, { kind: 'once' }>;
  trial?: true;
  /** Said before the value: “snug 20 N·m”. */
  purpose?: (typeof PURPOSES)[number];
  /** A published floor that is checked after an angle. */
  floor?: true;
}

/** What was not understood, and where it stands in the text. */
export interface Problem {
  at: number;
  length: number;
  message: string;
}

export const REUSE_WORDS: Record<Group['reuse'], string> = {
  replace: 'new',
  'reuse-in-place': 'own holes',
  'reuse-if-within-length': 'by length',
  reuse: 'reusable',
};
export const CONDITION_WORDS: Record<FrictionCondition, string> = {
  dry: 'dry',
  lightOil: 'light oil',
  engineOil: 'oiled',
  molyPaste: 'moly paste',
  antiSeize: 'anti-seize',
  threadLocker: 'locker',
  sealant: 'sealant',
  platedWaxed: 'plated',
};
export const ORDER_WORDS: Record<Order['rule'], string> = {
  centreOut: 'center-out',
  spiral: 'spiral',
  star: 'star',
  cross: 'cross',
  thirds: 'thirds',
  alternating: 'alternating',
  ring: 'ring',
  pairs: 'pairs',
  any: 'any order',
  listed: 'as listed',
};

/** Words that stand for something else than a fastener. */
export const RESERVED: readonly string[] = [
  'all',
  'back',
  'fully',
  'eased',
  'check',
  'floor',
  'by',
  'hand',
  'run',
  'draw',
  'down',
  'new',
  'old',
  'swap',
  'stretch',
  'wait',
  'min',
  'until',
  'settled',
  'seated',
  'reversed',
  'trial',
  'in',
  'off',
  'turn',
  'then',
  'tight',
  'finger',
  'snug',
  'final',
  'settling',
  'seal',
  'seating',
  'each',
  'hold',
  'as',
  'again',
  'recommended',
  'repeat',
  'twice',
  ...Object.values(ORDER_WORDS).flatMap((words) => words.split(' ')),
];
