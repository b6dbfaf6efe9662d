import type { OrderEntry } from '../order';

export const JOB = '5e000000-0000-4000-8000-000000000301';
export const JOINT = '5e000000-0000-4000-8000-000000000401';

/** The bolts of a cylinder head, as they stand on the parts list. */
export const headBolts = (
  state: Extract<OrderEntry, { kind: 'part' }>['state'],
  need?: string,
): OrderEntry => ({
  kind: 'part',
  job: JOB,
  ...(need ? { need, joint: JOINT } : {}),
  what: 'Head bolts',
  count: 10,
  state,
  cents: 100,
});
