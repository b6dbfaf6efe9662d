import { textsOf } from '../language';
import { orders } from '../language/en/orders';
import { usedOnce, type Group, type Sheet } from '../procedure';

const text = textsOf('orders', orders);

/**
 * What a joint asks for: fasteners that must be new or may come back and how, and what else goes
 * in.
 */
export interface PartNeed {
  /** Unique within its sheet: `group:bolts`, `part:gasket`. */
  key: string;
  what: string;
  count: number;
  need: 'new' | 'reuse' | 'consider';
  reuse: Group['reuse'] | null;
  why: string;
  /** The numbers behind it, for who asks; empty where there are none. */
  numbers: string;
}

const how = (reuse: Exclude<Group['reuse'], 'replace'>): string =>
  reuse === 'reuse-in-place'
    ? text.reuse.inPlace
    : reuse === 'reuse-if-within-length'
      ? text.reuse.byLength
      : text.reuse.free;

/**
 * Everything of one sheet, fasteners first. A joint that occurs several times needs it as often.
 */
export function partsOf(sheet: Sheet): PartNeed[] {
  const times = sheet.instances?.labels.length ?? 1;
  return [
    ...sheet.groups.map((g) => groupNeed(sheet, g, times)),
    ...(sheet.parts ?? []).map((p): PartNeed => ({
      key: `part:${p.id}`,
      what: p.name,
      count: p.count * times,
      need: p.need,
      reuse: null,
      why: p.why ?? '',
      numbers: '',
    })),
  ];
}

function groupNeed(sheet: Sheet, group: Group, times: number): PartNeed {
  const count = sheet.seats.filter((s) => s.group === group.id).length * times;
  const isNew = group.reuse === 'replace';
  const once = isNew ? usedOnce(sheet, group) : null;
  const why = group.reuse === 'replace' ? (once?.text ?? text.makerReplaces) : how(group.reuse);
  const mm = group.reuse === 'reuse-if-within-length' ? group.maxLengthMm : undefined;
  return {
    key: `group:${group.id}`,
    what: group.name,
    count,
    need: isNew ? 'new' : 'reuse',
    reuse: group.reuse,
    why: mm ? text.upTo({ why, mm }) : why,
    numbers: once?.why ?? '',
  };
}

/** One line of a parts list, whatever joint it is for. */
export interface PricedNeed {
  key: string;
  what: string;
  count: number;
  /** For all of them, in the shop's smallest coin. */
  cents: number | null;
}
export interface Kit {
  name: string;
  cents: number | null;
  holds: readonly string[];
}
export interface KitCompared {
  kit: string;
  /** Needed, and not in the box. */
  lacks: PricedNeed[];
  /** The kit and what it lacks; null as soon as one price is not known. */
  withKitCents: number | null;
  separateCents: number | null;
}

/** A kit against its parts bought one by one: what it lacks is bought separately. */
export function compareKit(kit: Kit, needs: readonly PricedNeed[]): KitCompared {
  const lacks = needs.filter((n) => !kit.holds.includes(n.key));
  return {
    kit: kit.name,
    lacks,
    withKitCents: sum([kit.cents, ...lacks.map((n) => n.cents)]),
    separateCents: sum(needs.map((n) => n.cents)),
  };
}

function sum(cents: readonly (number | null)[]): number | null {
  return cents.reduce<number | null>(
    (whole, c) => (whole === null || c === null ? null : whole + c),
    0,
  );
}
