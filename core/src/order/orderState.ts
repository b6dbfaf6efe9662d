import type { OrderEntry } from './entries';
import type { OrderState } from './names';
import { isAwaited } from './partState';

/** What there is to know of a repair order to say where it stands. */
export interface OrderSeen {
  joints: readonly { name: string; run: { state: 'open' | 'paused' | 'finished'; putIn?: readonly string[] | undefined; asksLead?: number | undefined } | null }[];
  entries: readonly OrderEntry[];
}

/** One thing that holds a repair order up. */
export interface Blocker {
  by: 'part' | 'outside' | 'measured' | 'lead' | 'joint' | 'putIn';
  text: string;
}

/** Everything that holds it up, the most pressing first. */
export function blockers({ joints, entries }: OrderSeen): Blocker[] {
  const parts = entries.flatMap((e): Blocker[] =>
    e.kind === 'part' && isAwaited(e.state) ? [{ by: 'part', text: `${e.count} × ${e.what}: ${e.state === 'ordered' ? 'ordered, not here' : 'not ordered'}` }] : [],
  );
  const outside = entries.flatMap((e): Blocker[] =>
    e.kind !== 'outside' || e.state === 'checked' ? [] : [{ by: 'outside', text: e.state === 'back' ? `${e.what}: back, not checked` : `${e.what}: at ${e.to}` }],
  );
  const measured = entries.flatMap((e): Blocker[] =>
    e.kind !== 'measurement' || e.verdict === 'pass' || (e.then !== undefined && e.then !== 'stop')
      ? []
      : [{ by: 'measured', text: `${e.of}: ${e.then === 'stop' ? 'stopped' : e.verdict === 'fail' ? 'out of its limits' : 'to be measured again'}` }],
  );
  const leads = joints.flatMap((j): Blocker[] => (j.run?.asksLead ? [{ by: 'lead', text: `${j.name}: waits for the lead’s word` }] : []));
  const open = joints.flatMap((j): Blocker[] => (j.run?.state === 'finished' ? [] : [{ by: 'joint', text: `${j.name}: ${j.run ? 'not finished' : 'not started'}` }]));
  return [...parts, ...outside, ...measured, ...leads, ...open, ...putIns({ joints, entries }).map((text): Blocker => ({ by: 'putIn', text: `${text}: still in` }))];
}

/** What was put in for the work and must come out. */
export function putIns({ joints, entries }: OrderSeen): string[] {
  return [...joints.flatMap((j) => j.run?.putIn ?? []), ...entries.flatMap((e) => (e.kind === 'putIn' && !e.out ? [e.what] : []))];
}

const ORDERLY: Record<OrderState, readonly OrderState[]> = {
  open: ['waiting', 'out', 'inWork'],
  waiting: ['open', 'out', 'inWork'],
  out: ['waiting', 'inWork'],
  inWork: ['waiting', 'out', 'toCheck'],
  toCheck: ['inWork', 'done'],
  done: ['inWork', 'handedOver'],
  handedOver: [],
};
/** Steps from a state, in the order offered. What is handed over stays so. */
export const stepsFrom = (state: OrderState): readonly OrderState[] => ORDERLY[state];

/** What keeps a repair order from a state; null where it may go there. */
export function mayNotBecome(to: OrderState, seen: OrderSeen): string | null {
  const of = (kinds: readonly Blocker['by'][]): string[] => blockers(seen).flatMap((b) => (kinds.includes(b.by) ? [b.text] : []));
  const holding =
    to === 'toCheck' ? of(['joint', 'outside', 'measured', 'putIn']) : to === 'done' || to === 'handedOver' ? of(['joint', 'outside', 'measured', 'putIn', 'lead']) : [];
  return holding.length > 0 ? holding.join('; ') : null;
}

/** A joint of a job: through, in work, or the next one. Later ones wait where an earlier one is not through. */
export type JointPlace = 'done' | 'inWork' | 'next' | 'later';
export function jointPlaces(joints: readonly { run: { state: 'open' | 'paused' | 'finished' } | null }[]): JointPlace[] {
  const first = joints.findIndex((j) => j.run?.state !== 'finished');
  return joints.map((j, i) => (j.run?.state === 'finished' ? 'done' : j.run ? 'inWork' : i === first ? 'next' : 'later'));
}
