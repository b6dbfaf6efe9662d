import { textsOf } from '../language';
import { orders } from '../language/en/orders';
import type { OrderEntry } from './entries';
import { jointState, type JointSeen } from './jointState';
import type { OrderState } from './names';
import { isAwaited } from './partState';

const text = textsOf('orders', orders);

/** What there is to know of a repair order to say where it stands. */
export interface OrderSeen {
  joints: readonly JointSeen[];
  entries: readonly OrderEntry[];
  /** What is due around the first start, and what became of it. */
  followUps?: readonly { kind: string; text: string; state: string }[];
}

/** One thing that holds a repair order up. */
export interface Blocker {
  by:
    | 'dropped'
    | 'part'
    | 'outside'
    | 'measured'
    | 'lead'
    | 'joint'
    | 'loosened'
    | 'putIn'
    | 'firstStart';
  text: string;
}

/** What an entry says that holds an order up, or null. */
function blockOf(e: OrderEntry): Blocker | null {
  switch (e.kind) {
    case 'dropped':
      if (e.found === undefined) return { by: 'dropped', text: text.dropped({ what: e.what }) };
      if (e.still === undefined)
        return { by: 'dropped', text: text.foundUnchecked({ what: e.what }) };
      return null;
    case 'part': {
      const { count, what, state } = e;
      return isAwaited(state)
        ? { by: 'part', text: text.partLine({ count, what, state: text.part[state] }) }
        : null;
    }
    case 'outside': {
      const where =
        e.state === 'back' ? text.back({ what: e.what }) : text.sentTo({ what: e.what, to: e.to });
      return e.state === 'checked' ? null : { by: 'outside', text: where };
    }
    case 'measurement': {
      if (e.verdict === 'pass' || (e.then !== undefined && e.then !== 'stop')) return null;
      const off = e.verdict === 'fail' ? text.measured.fail : text.measured.again;
      return {
        by: 'measured',
        text: `${e.of}: ${e.then === 'stop' ? text.measured.stopped : off}`,
      };
    }
    case 'loosened':
      return e.tight === undefined
        ? { by: 'loosened', text: text.loosened({ what: e.what }) }
        : null;
    default:
      return null;
  }
}

/** Everything that holds it up, the most pressing first. */
export function blockers({ joints, entries, followUps = [] }: OrderSeen): Blocker[] {
  const entered = entries.flatMap((e) => blockOf(e) ?? []);
  const of = (...kinds: Blocker['by'][]): Blocker[] =>
    kinds.flatMap((kind) => entered.filter((b) => b.by === kind));
  const leads = joints.flatMap((j): Blocker[] =>
    j.runs.some((r) => r.asksLead) ? [{ by: 'lead', text: text.waitsLead({ joint: j.name }) }] : [],
  );
  const open = joints.flatMap((j): Blocker[] => {
    const state = jointState(j);
    return state === 'tight' ? [] : [{ by: 'joint', text: `${j.name}: ${text.joints[state]}` }];
  });
  const stillIn = putIns({ joints, entries }).map((what): Blocker => ({
    by: 'putIn',
    text: text.stillIn({ what }),
  }));
  const firstStart = followUps.flatMap((f): Blocker[] =>
    f.state === 'open' && firstStartText(f.kind)
      ? [{ by: 'firstStart', text: `${firstStartText(f.kind)}: ${f.text.replace(/\.$/, '')}` }]
      : [],
  );
  return [
    ...of('dropped', 'part', 'outside', 'measured'),
    ...leads,
    ...open,
    ...of('loosened'),
    ...stillIn,
    ...firstStart,
  ];
}

const firstStartText = (kind: string): string | null =>
  kind === 'beforeFirstStart'
    ? text.firstStart.before
    : kind === 'afterFirstStart'
      ? text.firstStart.after
      : null;

/** What fell and is not found. */
export const isLost = (e: OrderEntry): e is Extract<OrderEntry, { kind: 'dropped' }> =>
  e.kind === 'dropped' && e.found === undefined;

/** What was put in for the work and must come out. */
export function putIns({ joints, entries }: OrderSeen): string[] {
  return [
    ...joints.flatMap(putInBy),
    ...entries.flatMap((e) => (e.kind === 'putIn' && !e.out ? [stillIn(e)] : [])),
  ];
}

/**
 * What one run put in another may have taken out: a cover goes on while it comes apart, and off
 * before it goes together.
 */
function putInBy({ runs }: JointSeen): string[] {
  return runs.flatMap((run) => {
    const out = runs.filter((r) => r.instance === run.instance).flatMap((r) => r.tookOut ?? []);
    return (run.putIn ?? []).filter((what) => !out.includes(what));
  });
}

/** Of what was counted in, only what was counted out is out. */
const stillIn = ({ what, count, countOut }: Extract<OrderEntry, { kind: 'putIn' }>): string =>
  count === undefined ? what : text.putIn({ left: count - (countOut ?? 0), count, what });

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

const IN_THE_WAY: readonly Blocker['by'][] = [
  'dropped',
  'joint',
  'loosened',
  'outside',
  'measured',
  'putIn',
];

/** What keeps a repair order from a state; null where it may go there. */
export function mayNotBecome(to: OrderState, seen: OrderSeen): string | null {
  const of = (kinds: readonly Blocker['by'][]): string[] =>
    blockers(seen).flatMap((b) => (kinds.includes(b.by) ? [b.text] : []));
  const holding =
    to === 'toCheck'
      ? of(IN_THE_WAY)
      : to === 'done' || to === 'handedOver'
        ? of([...IN_THE_WAY, 'lead', 'firstStart'])
        : [];
  return holding.length > 0 ? holding.join('; ') : null;
}
