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

/** What may stand on a repair order besides its jobs. */
export const ENTRY_KINDS = [
  'finding',
  'note',
  'person',
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

/** Where a repair order stands, in a word. */
export const ORDER_STATE_TEXT: Record<OrderState, string> = {
  open: 'open',
  waiting: 'waiting for parts',
  out: 'parts out',
  inWork: 'in work',
  toCheck: 'to check',
  done: 'done',
  handedOver: 'handed over',
};
