import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import { AppError } from '../../errors';
import {
  plausibility,
  torqueLimit,
  evenFriction,
  type PlausibleFor,
  type Plausibility,
} from '../../clamp';
import { convert, plainText, units, type Quantity, type UnitCode } from '../../quantity';
import { frictionBands, hexHeadOf, propertyClassOf, threadOf } from '../../thread';
import type { Group, Sheet } from '../sheet';
import type { Part, Stage } from '../stage';
import { seatsOf } from '../stageFacts';
import { finding, type Finding } from './finding';
import { stageLists } from './names';

const text = textsOf('checks', checks);

/**
 * Values against thread, class and purpose; one-time-use against what the procedure does to the
 * fastener.
 */
export function checkValues(sheet: Sheet): Finding[] {
  const low = checkLowUnit(sheet);
  const each = stageLists(sheet).flatMap(([place, stages]) =>
    stages.flatMap((s, i) => checkTorques(sheet, stages, s, i, `${place}.${i}`)),
  );
  // Asked once: the question takes the place of the note.
  const isAsked = (f: Finding): boolean =>
    f.code === 'anotherUnit' && low.some((l) => l.place === f.place);
  return [...each.filter((f) => !isAsked(f)), ...low];
}

/** Below this share of yield no torque is meant to hold a joint, whatever angle follows it. */
const TOO_LOW = 0.12;
/** What a fastener is left at, an angle after it included, as a share of yield. */
const USUAL = [0.15, 1.05] as const;

/**
 * The highest torque of a group so low that another printed unit is likelier: lbf·ft or N·m typed
 * as lbf·in. A single low stage is no reason: many procedures begin with one.
 */
function checkLowUnit(sheet: Sheet): Finding[] {
  return finalTorques(sheet).flatMap(({ of, q, place, purpose }) => {
    if (purpose === 'seal' || purpose === 'settling') return [];
    const p = plausible(of, q, purpose);
    if (!p || p.ratio >= TOO_LOW) return [];
    const inUnit = (unit: UnitCode): number =>
      (p.ratio * units[unit].toBase) / units[q.unit].toBase;
    const [better] = PRINTED.filter((u) => inUnit(u) >= USUAL[0] && inUnit(u) <= USUAL[1]);
    const what = `${of.thread.designation} ${of.propertyClass}`;
    if (!better) {
      const percent = Math.round(p.ratio * 100);
      const low = text.torqueTooLow({ value: plainText(q), what, percent });
      return [finding('implausible', 'warning', place, low)];
    }
    return [
      finding(
        'anotherUnit',
        'warning',
        place,
        text.anotherUnit({ value: plainText(q), what, unit: units[better].symbol }),
      ),
    ];
  });
}
const PRINTED: readonly UnitCode[] = ['N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]'];

const values = (of: Stage | Part): Quantity[] => {
  const { target } = of;
  if (!target) return [];
  return 'value' in target
    ? [target]
    : [target.min, target.max].map((value) => ({ value, unit: target.unit }));
};

/**
 * What a torque is for: said, else the last one is final and those before it snug; followed by an
 * angle none is final.
 */
export function purposeOf(sheet: Sheet, stages: readonly Stage[], index: number): PlausibleFor {
  const stage = stages[index];
  if (!stage) return 'unknown';
  if (stage.purpose === 'seating') return 'settling';
  if (stage.purpose) return stage.purpose;
  if (stage.trial || stage.with || stage.each) return 'snug';
  const ids = new Set(seatsOf(sheet, stage).map((s) => s.id));
  const later = stages
    .slice(index + 1)
    .some(
      (s) =>
        ['torque', 'angle', 'each'].includes(s.action) &&
        seatsOf(sheet, s).some((seat) => ids.has(seat.id)),
    );
  return later ? 'snug' : 'final';
}

function groupsOf(sheet: Sheet, stage: Stage): Group[] {
  const ids = new Set(seatsOf(sheet, stage).map((s) => s.group));
  return sheet.groups.filter((g) => ids.has(g.id));
}

function checkTorques(
  sheet: Sheet,
  stages: readonly Stage[],
  stage: Stage,
  index: number,
  place: string,
): Finding[] {
  const torques: { q: Quantity; at: string }[] = [
    ...(stage.action === 'torque' || (stage.action === 'check' && stage.finalTorque)
      ? values(stage).map((q) => ({ q, at: `${place}.target` }))
      : []),
    ...(stage.each ?? []).flatMap((part, i) =>
      part.action === 'torque'
        ? values(part).map((q) => ({ q, at: `${place}.each.${i}.target` }))
        : [],
    ),
  ].filter(({ q }) => units[q.unit].kind === 'torque');
  return groupsOf(sheet, stage).flatMap((group) =>
    torques.flatMap(({ q, at }) =>
      checkTorque(
        group,
        stage,
        q,
        purposeOf(sheet, stages, index),
        at,
        isTurnedOn(sheet, stages, index, group),
      ),
    ),
  );
}

function checkTorque(
  group: Group,
  stage: Stage,
  q: Quantity,
  purpose: PlausibleFor,
  place: string,
  isTurnedOn: boolean,
): Finding[] {
  const say = plainText(q);
  const what = `${group.thread.designation} ${group.propertyClass}`;
  const p = plausible(group, q, purpose);
  if (!p) {
    const unknown = text.unknownThread({ what, value: say });
    return [finding('implausible', 'warning', place, unknown)];
  }
  // Many procedures begin low; whether the highest one is too low is asked by itself.
  if (purpose === 'snug' && p.level === 'noteLow') return [];
  const isSaid = p.level === 'error' || p.level === 'warn';
  if (isTurnedOn && !isSaid && p.ratio > TURNED_ON_FROM)
    return [finding('implausible', 'warning', place, text.torqueBeforeAngle({ value: say, what }))];
  const asked = p.slips.slice(0, 1).map((slip) => {
    const as =
      slip.as === 'deg'
        ? text.kinds.angle
        : slip.as === 'x10' || slip.as === '/10'
          ? text.asValue({ what: slip.as })
          : units[slip.as].symbol;
    return finding(
      'anotherUnit',
      p.level === 'error' || p.level === 'warn' ? 'warning' : 'note',
      place,
      text.anotherUnit({ value: say, what, unit: as }),
    );
  });
  // Low alone says little: a note that stands on every third right sheet is read by no one.
  if (p.level === 'ok' || (p.level === 'noteLow' && p.ratio >= WORTH_A_NOTE)) return asked;
  const message = text.torque[p.level]({
    stage: stage.name,
    value: say,
    what,
    percent: Math.round(p.ratio * 100),
  });
  return [finding('implausible', LEVEL_OF[p.level], place, message), ...asked];
}

/** Of yield: a torque beyond this leaves no room for the angle after it. */
const TURNED_ON_FROM = 0.95;

/** Whether an angle follows on the same fasteners before they are loosened. */
function isTurnedOn(sheet: Sheet, stages: readonly Stage[], at: number, group: Group): boolean {
  const isOn = (s: Stage): boolean => seatsOf(sheet, s).some((seat) => seat.group === group.id);
  const next = stages
    .slice(at + 1)
    .find((s) => ['angle', 'torque', 'loosen', 'each', 'swap'].includes(s.action) && isOn(s));
  return next?.action === 'angle';
}

/** Of yield: less than this is worth a word, even where a low torque is meant. */
const WORTH_A_NOTE = 0.15;

const LEVEL_OF: Record<Exclude<Plausibility['level'], 'ok'>, Finding['level']> = {
  error: 'error',
  warn: 'warning',
  noteHigh: 'note',
  noteLow: 'note',
};

/** null for a thread or class that is not known. */
function plausible(group: Group, q: Quantity, purpose: PlausibleFor): Plausibility | null {
  const { designation, pitchMm } = group.thread;
  try {
    return plausibility(q, designation, group.propertyClass, purpose, pitchMm, group.bearingMm);
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}

/** Torque in N·m at which a group's fasteners yield at the friction they are published for. */
export function yieldTorqueNm(group: Group): number | null {
  try {
    const thread = threadOf(group.thread.designation, group.thread.pitchMm);
    const mu = frictionBands[group.frictionCondition].nominal;
    return torqueLimit(
      thread,
      propertyClassOf(group.propertyClass),
      evenFriction(mu, hexHeadOf(thread.dMm, group.bearingMm).meanMm),
    ).yieldTorqueNm;
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}

/** A torque that fasteners are left at, or turned on from. */
export interface FinalTorque {
  /** Thread size and class. */
  group: string;
  of: Group;
  q: Quantity;
  nm: number;
  place: string;
  purpose: PlausibleFor;
}

/** The last torque of each thread size and class, with its place; those inside `each` too. */
export function finalTorques(sheet: Sheet): FinalTorque[] {
  const found = new Map<string, FinalTorque>();
  for (const [i, stage] of sheet.stages.entries()) {
    const purpose = purposeOf(sheet, sheet.stages, i);
    const pulls = [
      { of: stage as Stage | Part, place: `stages.${i}.target` },
      ...(stage.each ?? []).map((of, k) => ({ of, place: `stages.${i}.each.${k}.target` })),
    ];
    for (const { of, place } of pulls) {
      const q = of.action === 'torque' ? values(of).at(-1) : undefined;
      if (!q || units[q.unit].kind !== 'torque') continue;
      for (const g of groupsOf(sheet, stage)) {
        const group = `${g.thread.designation} ${g.propertyClass}`;
        found.set(group, { group, of: g, q, nm: convert(q, 'N.m'), place, purpose });
      }
    }
  }
  return [...found.values()];
}
