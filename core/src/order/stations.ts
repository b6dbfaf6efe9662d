import { textsOf } from '../language';
import { orders } from '../language/en/orders';
import { PROCEDURE, TAKE_APART } from '../procedure/parts';
import { jointState, type JointSeen, type RunSeen } from './jointState';
import type { OrderState } from './names';
import { blockers, type Blocker, type OrderSeen } from './orderState';
import { isAwaited } from './partState';

const text = textsOf('orders', orders);

/** The way of a repair order, from the first look to the key handed back. */
export const STATIONS = [
  'diagnosis',
  'teardown',
  'measured',
  'parts',
  'tighten',
  'sign',
  'handOver',
] as const;
export type StationName = (typeof STATIONS)[number];

export const STATION_TEXT: Readonly<Record<StationName, string>> = text.stations;

export interface Station {
  name: StationName;
  /** Several may be blocked; at most one is next. */
  state: 'done' | 'next' | 'blocked' | 'later';
  /** The one thing to know about it; empty where there is nothing to say. */
  fact: string;
}

export interface StationRun extends RunSeen {
  signing: 'open' | 'wantsSecond' | 'signed';
  standing: {
    done: number;
    of: number;
    fastener: string | null;
    stageName: string | null;
    bags: readonly { bag: string; fasteners: readonly string[] }[];
  };
}
export interface StationJoint extends JointSeen {
  /** The sheet says how it is taken apart. */
  takesApart: boolean;
  runs: readonly StationRun[];
}
export interface OrderOnItsWay extends OrderSeen {
  joints: readonly StationJoint[];
  state: OrderState;
}

type Draft = Omit<Station, 'name'>;

/**
 * Where a repair order is on its way. A teardown is a station only where a sheet describes one; a
 * diagnosis and a measurement are never asked for, only shown once they are there.
 */
export function stations(order: OrderOnItsWay): Station[] {
  const of: Record<StationName, Draft | null> = {
    diagnosis: diagnosis(order),
    teardown: teardown(order),
    measured: measured(order),
    parts: parts(order),
    tighten: tighten(order),
    sign: sign(order),
    handOver: handOver(order),
  };
  const way = STATIONS.flatMap((name) => {
    const station = of[name];
    return station ? [{ name, ...station }] : [];
  });
  const asked: readonly StationName[] =
    order.joints.length === 0 ? ['diagnosis'] : ['teardown', 'tighten', 'sign', 'handOver'];
  // Past one that is blocked nothing is next.
  const next = way.find((s) => asked.includes(s.name) && s.state !== 'done');
  return way.map((s) => (s === next && s.state === 'later' ? { ...s, state: 'next' } : s));
}

/** The station to show for the whole order: what blocks the next one, else the next one itself. */
export function stationNow(way: readonly Station[]): Station | undefined {
  const next = way.findIndex((s) => s.state === 'next');
  const before = way.slice(0, next < 0 ? way.length : next);
  return before.find((s) => s.state === 'blocked') ?? way[next] ?? way.at(-1);
}

const doneIf = (is: boolean): 'done' | 'later' => (is ? 'done' : 'later');

const heldBy = (order: OrderSeen, ...kinds: Blocker['by'][]): string[] =>
  blockers(order).flatMap((b) => (kinds.includes(b.by) ? [b.text] : []));

/** The first of several, and how many more there are. */
const firstOf = ([first = '', ...more]: readonly string[]): string =>
  more.length === 0 ? first : text.way.more({ first, count: more.length });

function diagnosis({ entries }: OrderOnItsWay): Draft {
  const found = entries.flatMap((e) => (e.kind === 'finding' ? [e.found] : []));
  return { state: doneIf(found.length > 0), fact: found.at(-1) ?? '' };
}

function teardown({ joints }: OrderOnItsWay): Draft | null {
  const own = joints.filter((j) => j.takesApart || j.runs.some((r) => r.part === TAKE_APART));
  if (own.length === 0) return null;
  const open = own.filter((j) => ['notStarted', 'comingApart'].includes(jointState(j)));
  const bags = own.flatMap((j) => j.runs.flatMap((r) => r.standing.bags));
  const begun = open.some((j) => jointState(j) === 'comingApart');
  return {
    state: doneIf(open.length === 0),
    fact:
      bags.length > 0
        ? bags.map((b) => text.way.bag({ bag: b.bag, count: b.fasteners.length })).join(' · ')
        : begun
          ? text.joints.comingApart
          : open.length > 0
            ? text.joints.notStarted
            : '',
  };
}

function measured(order: OrderOnItsWay): Draft {
  const of = [...new Set(order.entries.flatMap((e) => (e.kind === 'measurement' ? [e.of] : [])))];
  const held = heldBy(order, 'measured');
  return held.length > 0
    ? { state: 'blocked', fact: firstOf(held) }
    : { state: doneIf(of.length > 0), fact: of.join(' · ') };
}

function parts(order: OrderOnItsWay): Draft {
  const listed = order.entries.flatMap((e) => (e.kind === 'part' ? [e] : []));
  const out = heldBy(order, 'outside');
  const awaited = listed.filter((e) => isAwaited(e.state));
  const held = [...heldBy(order, 'part'), ...out];
  if (held.length > 0) return { state: 'blocked', fact: firstOf(held) };
  return {
    state: doneIf(listed.length > 0),
    fact: listed.length > 0 ? text.way.here({ count: listed.length - awaited.length }) : '',
  };
}

function tighten(order: OrderOnItsWay): Draft {
  const { joints } = order;
  const tight = joints.filter((j) => jointState(j) === 'tight').length;
  const held = heldBy(order, 'dropped', 'lead', 'loosened');
  const open = joints.flatMap((j) =>
    j.runs.flatMap((r) => (r.part === PROCEDURE && r.state !== 'finished' ? [{ j, r }] : [])),
  );
  const [first] = open;
  const fact = first
    ? runFact(first.r)
    : joints.length === 1 || tight === 0
      ? joints.map((j) => j.name).join(', ')
      : text.way.tight({ tight, count: joints.length });
  if (held.length > 0 && tight < joints.length) return { state: 'blocked', fact: firstOf(held) };
  return { state: doneIf(joints.length > 0 && tight === joints.length), fact };
}

/** @example “bolt 4 · +75°, 3 of 10 done” */
function runFact({ standing: s }: StationRun): string {
  if (!s.stageName) return text.way.toFinish;
  const where = text.way.at({ stage: s.stageName, done: s.done, of: s.of });
  return s.fastener ? `${text.way.bolt({ bolt: s.fastener })} · ${where}` : where;
}

function sign(order: OrderOnItsWay): Draft {
  const runs = order.joints.flatMap((j) => j.runs.filter((r) => r.state === 'finished'));
  const open = runs.filter((r) => r.signing !== 'signed');
  const second = open.filter((r) => r.signing === 'wantsSecond').length;
  const isAllTight =
    order.joints.length > 0 && order.joints.every((j) => jointState(j) === 'tight');
  const lead = heldBy(order, 'lead');
  const fact =
    lead.length > 0
      ? firstOf(lead)
      : second > 0
        ? text.way.second({ count: second })
        : open.length > 0
          ? text.way.toSign({ count: open.length })
          : '';
  if (isAllTight && lead.length > 0) return { state: 'blocked', fact };
  return { state: doneIf(isAllTight && runs.length > 0 && open.length === 0), fact };
}

function handOver(order: OrderOnItsWay): Draft {
  const held = heldBy(order, 'putIn', 'firstStart');
  const isTight = order.joints.length > 0 && order.joints.every((j) => jointState(j) === 'tight');
  if (order.state === 'handedOver') return { state: 'done', fact: '' };
  if (held.length > 0 && isTight) return { state: 'blocked', fact: firstOf(held) };
  const later = (order.followUps ?? []).filter((f) => f.state === 'open').length;
  return { state: 'later', fact: later > 0 ? text.way.due({ count: later }) : '' };
}
