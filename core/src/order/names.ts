import { textsOf } from '../language';
import { orders } from '../language/en/orders';
import type { PartState } from './partState';

const text = textsOf('orders', orders);
/** Where a repair order stands, from the counter to the key handed back. */
export const ORDER_STATES = [
  'open',
  'waiting',
  'out',
  'inWork',
  'toCheck',
  'done',
  'handedOver',
] as const;
export type OrderState = (typeof ORDER_STATES)[number];

/** What may be on a repair order beside its jobs. */
export const ENTRY_KINDS = [
  'finding',
  'note',
  'person',
  'reminder',
  'part',
  'kit',
  'outside',
  'photo',
  'putIn',
  'measurement',
  'dropped',
  'loosened',
  'filled',
  'compound',
  'scope',
] as const;

/** How a part stands, in a word. */
export const PART_STATE_TEXT: Readonly<Record<PartState, string>> = text.parts;

/** Where a repair order stands, in a word. */
export const ORDER_STATE_TEXT: Readonly<Record<OrderState, string>> = text.states;
