import { AppError } from '../errors';
import { orderByRule } from '../joint';
import type { Group, Seat, Sheet } from './sheet';
import type { Action, Order, Part, Stage } from './stage';

/** The group a seat belongs to; a sheet that passed its checks has one for each. */
export function groupOf(sheet: Sheet, seat: Seat): Group {
  const group = sheet.groups.find((g) => g.id === seat.group);
  if (!group) throw new AppError('SHEET_INVALID', { where: `seats.${seat.id}.group` });
  return group;
}

/** The group of a seat named by its id. */
export function groupOfSeat(sheet: Sheet, seatId: string): Group {
  const seat = sheet.seats.find((s) => s.id === seatId);
  if (!seat) throw new Error(`no seat ${seatId}`);
  return groupOf(sheet, seat);
}

/**
 * Seats that a list of names means: all, groups, positions, seats, tags, added up; as listed on the
 * sheet.
 */
export function seatsNamed(sheet: Sheet, on: readonly string[]): Seat[] {
  const names = new Set(on);
  if (names.has('all')) return sheet.seats;
  const tagged = new Set(
    sheet.pattern.positions.filter((p) => p.tags?.some((t) => names.has(t))).map((p) => p.label),
  );
  return sheet.seats.filter(
    (s) => names.has(s.group) || names.has(s.position) || names.has(s.id) || tagged.has(s.position),
  );
}

export const seatsOf = (sheet: Sheet, stage: Stage): Seat[] => seatsNamed(sheet, stage.on);

/** Actions that are done fastener by fastener; the others once for the stage. */
const BY_FASTENER: readonly Action[] = [
  'handStart',
  'runDown',
  'torque',
  'angle',
  'stretch',
  'loosen',
  'check',
  'swap',
  'each',
];
export const isByFastener = (stage: Stage): boolean => BY_FASTENER.includes(stage.action);

interface SheetFacts {
  orders: Map<number, readonly string[]>;
  on: Map<number, ReadonlySet<string>>;
}
/**
 * A revision never changes, so what follows from it is computed once; asked for at every
 * confirmation.
 */
const factsBySheet = new WeakMap<Sheet, SheetFacts>();
function factsOf(sheet: Sheet): SheetFacts {
  let facts = factsBySheet.get(sheet);
  if (!facts) {
    facts = { orders: new Map(), on: new Map() };
    factsBySheet.set(sheet, facts);
  }
  return facts;
}

/** Whether a stage acts on a seat. */
export function isOn(sheet: Sheet, stageIndex: number, seatId: string): boolean {
  const { on } = factsOf(sheet);
  let seats = on.get(stageIndex);
  if (!seats) {
    seats = new Set(seatsOf(sheet, stageAt(sheet, stageIndex)).map((s) => s.id));
    on.set(stageIndex, seats);
  }
  return seats.has(seatId);
}

/**
 * The seat ids of a stage in the order they are pulled. Left out, the order is the last one given
 * before for these fasteners, cut to the subset, forward; a named order is computed over the
 * subset.
 * @throws AppError SHEET_INVALID for an order that the places do not allow
 */
export function orderOf(sheet: Sheet, stageIndex: number): readonly string[] {
  const { orders } = factsOf(sheet);
  const known = orders.get(stageIndex) ?? computeOrder(sheet, stageIndex);
  orders.set(stageIndex, known);
  return known;
}

function computeOrder(sheet: Sheet, stageIndex: number): string[] {
  const stage = stageAt(sheet, stageIndex);
  const subset = seatsOf(sheet, stage);
  const forward = stage.order
    ? orderedIds(sheet, subset, stage.order)
    : inherited(sheet, stageIndex, subset);
  const isReverse = stage.order
    ? stage.order.reverse
    : isSlackenedInReverse(sheet, stageIndex, subset);
  return isReverse ? forward.reverse() : forward;
}

/**
 * Fasteners that were slackened in reverse are slackened so in every pass that follows without an
 * order of its own.
 */
function isSlackenedInReverse(sheet: Sheet, before: number, subset: Seat[]): boolean {
  if (stageAt(sheet, before).action !== 'loosen') return false;
  const ids = new Set(subset.map((s) => s.id));
  const given = sheet.stages
    .slice(0, before)
    .findLast(
      (s) => s.action === 'loosen' && s.order && seatsOf(sheet, s).some((seat) => ids.has(seat.id)),
    );
  return given?.order?.reverse === true;
}

/**
 * The last order given for any of these fasteners goes on; one that named fasteners is cut to those
 * asked for.
 */
function inherited(sheet: Sheet, before: number, subset: Seat[]): string[] {
  const ids = new Set(subset.map((s) => s.id));
  const given = sheet.stages
    .slice(0, before)
    .findLast((s) => s.order && seatsOf(sheet, s).some((seat) => ids.has(seat.id)));
  if (!given?.order) return subset.map((s) => s.id);
  const whole = seatsOf(sheet, given);
  const isInside = subset.every((s) => whole.includes(s));
  if (isInside) return orderedIds(sheet, whole, given.order).filter((id) => ids.has(id));
  // An order that was given for some of them may not go with all: those come in it, the others
  // after, as listed.
  return given.order.labels || !fits(sheet, subset, given.order)
    ? [...new Set([...orderedIds(sheet, whole, given.order), ...subset.map((s) => s.id)])].filter(
        (id) => ids.has(id),
      )
    : orderedIds(sheet, subset, given.order);
}

function fits(sheet: Sheet, subset: Seat[], order: Order): boolean {
  try {
    return orderedIds(sheet, subset, order).length === subset.length;
  } catch (error) {
    if (error instanceof AppError) return false;
    throw error;
  }
}

function orderedIds(sheet: Sheet, subset: Seat[], order: Order): string[] {
  if (order.rule === 'listed' || order.rule === 'any') {
    const named = (order.labels ?? []).flatMap((label) =>
      subset.filter((s) => s.id === label || s.position === label),
    );
    return order.labels ? named.map((s) => s.id) : subset.map((s) => s.id);
  }
  const places = sheet.pattern.positions.filter((p) => subset.some((s) => s.position === p.label));
  const labels = orderByRule(order.rule, places, {
    start: order.start,
    direction: order.direction,
  });
  return labels.flatMap((label) => subset.filter((s) => s.position === label).map((s) => s.id));
}

/**
 * Where any fastener of the stage may come first: another than the one proposed is no deviation.
 */
export function isAnyOrder(sheet: Sheet, stageIndex: number): boolean {
  const stage = stageAt(sheet, stageIndex);
  if (stage.order) return stage.order.rule === 'any';
  const ids = new Set(seatsOf(sheet, stage).map((s) => s.id));
  return (
    sheet.stages
      .slice(0, stageIndex)
      .findLast((s) => s.order && seatsOf(sheet, s).some((seat) => ids.has(seat.id)))?.order
      ?.rule === 'any'
  );
}

/** The stage at an index that is known to exist. */
export function stageAt(sheet: Sheet, index: number): Stage {
  const stage = sheet.stages[index];
  if (!stage) throw new Error(`no stage ${index} in sheet ${sheet.id}`);
  return stage;
}

export const stageIndex = (sheet: Sheet, id: string): number =>
  sheet.stages.findIndex((s) => s.id === id);

/**
 * Whether a pull of this stage takes the fastener past yield: said, or an angle on a one-time-use
 * group.
 */
export function entersYield(sheet: Sheet, stage: Stage, action: Action = stage.action): boolean {
  if (stage.entersYield !== undefined)
    return stage.entersYield && (action === 'angle' || stage.action === action);
  return (
    action === 'angle' && seatsOf(sheet, stage).some((s) => groupOf(sheet, s).reuse === 'replace')
  );
}

/** Goes round until it has settled: a settling torque, and every check pass. */
export const isSettling = (stage: Stage): boolean =>
  stage.repeat?.kind === 'untilSettled' || (stage.action === 'check' && !stage.finalTorque);

/**
 * What a stage does to a position rather than to the fastener that is in it: a trial, and the old
 * part as a tool.
 */
export const isOwedByPosition = (stage: Stage): boolean =>
  stage.trial === true || stage.with === 'oldPartAsTool';

/**
 * What is done on one fastener in a stage, one after the other: the stage itself, or its inner
 * stages.
 */
export const actsOf = (stage: Stage): readonly (Stage | Part)[] => stage.each ?? [stage];

/** Each angle of the procedure once, in degrees, in the order met. */
export const anglesOf = (sheet: Sheet): number[] => [
  ...new Set(
    sheet.stages
      .flatMap(actsOf)
      .flatMap(({ action, target }) =>
        action === 'angle' && target && 'value' in target ? [target.value] : [],
      ),
  ),
];
