import {
  groupOf,
  isOwedByPosition,
  seatsOf,
  usedOnce,
  type Part,
  type Sheet,
  type Stage,
  type Target,
} from '../procedure';
import { convert, scaleFactor, wrenchSetting, type Quantity, type Wrench } from '../quantity';
import { AppError } from '../errors';
import { wrenchesOf, type ListedTool } from './shopTool';
import { fewestChanges, leastOf } from './fewestChanges';

/**
 * More than this with one arm asks for a longer bar, a second hand, a braced stand. From
 * engineering practice.
 */
export const HARD_PUSH_N = 400;

/** Why no wrench of the shop serves a stage. */
export type NoWrench = 'none' | 'tooLow' | 'tooHigh' | 'between' | 'overdue';

export type Fit =
  | {
      kind: 'wrench';
      wrench: Wrench;
      /**
       * What the scale must say; null where a range is published and the value is still to be
       * chosen.
       */
      setting: Quantity | null;
      /** What rounding to the scale's graduation costs, in per cent of the value. */
      errorPercent: number;
      /**
       * The nearest graduation lies outside the stage's own window: this wrench cannot be set
       * finely enough.
       */
      tooCoarse: boolean;
      /** At the middle of the grip; null where the wrench's length is not known. */
      pushN: number | null;
    }
  | { kind: 'missing'; why: NoWrench; nearest: Wrench | null; byFeel: boolean }
  | {
      kind: 'angle';
      bar: { name: string; lengthMm: number } | null;
      gauge: string | null;
      digital: string | null;
      /** About what the bar feels at the end, where the sheet says enough to compute it. */
      endTorqueNm: number | null;
      pushN: number | null;
    };

export interface PlanLine {
  stage: Stage;
  part: Part | null;
  target: Target;
  fit: Fit;
}

export interface ToolPlan {
  lines: PlanLine[];
  /** How often the wrench is changed on the way. */
  changes: number;
  missing: number;
}

interface Work {
  stage: Stage;
  part: Part | null;
  target: Target;
  values: Quantity[];
}

/**
 * Which tool for which stage: of the wrenches that reach and are in calibration, those with the
 * fewest changes on the way, then the least rounding. Angle stages prefer a plain bar: a click
 * wrench distracts there. A plan proposes; the wrench is chosen and set at the stage.
 * @param today as a date; a wrench is good until the end of the day it is calibrated until
 * @param stages of the sheet, or those that take apart
 */
export function toolPlan(
  sheet: Sheet,
  tools: readonly ListedTool[],
  today: string,
  stages: readonly Stage[] = sheet.stages,
): ToolPlan {
  const work = stages.flatMap((stage) =>
    (stage.each ?? [null]).flatMap((part) => workOf(stage, part)),
  );
  const wrenches = wrenchesOf(tools);
  const torques = work.filter((w) => !isAngle(w));
  const chosen = fewestChanges(
    torques.map((w) =>
      wrenches
        .filter((x) => x.calibratedUntil >= today && reaches(x, w.values))
        .map((x) => ({ wrench: x, cost: roundingOf(x, w) + (isTooCoarse(x, w) ? TOO_COARSE : 0) })),
    ),
  );
  const wrenchAt = new Map(torques.map((w, i) => [w, chosen[i] ?? null]));
  const lines = work.map((w): PlanLine => ({
    stage: w.stage,
    part: w.part,
    target: w.target,
    fit: fitOf(sheet, w, wrenchAt.get(w) ?? null, { wrenches, tools, today }),
  }));
  const used = lines.flatMap((l) => (l.fit.kind === 'wrench' ? [l.fit.wrench.id] : []));
  return {
    lines,
    changes: used.filter((id, i) => i > 0 && id !== used[i - 1]).length,
    missing: lines.filter((l) => l.fit.kind === 'missing').length,
  };
}

const isAngle = ({ stage, part }: Work): boolean => (part ?? stage).action === 'angle';

function workOf(stage: Stage, part: Part | null): Work[] {
  const { action, target } = part ?? stage;
  if (!target || !['torque', 'check', 'angle'].includes(action)) return [];
  const values =
    'value' in target
      ? [target]
      : [target.min, target.max].map((value) => ({ value, unit: target.unit }));
  return [{ stage, part, target, values }];
}

function reaches(wrench: Wrench, values: readonly Quantity[]): boolean {
  try {
    for (const value of values) wrenchSetting(wrench, value);
    return true;
  } catch (error) {
    if (error instanceof AppError) return false;
    throw error;
  }
}

/** Where a sheet gives no tolerance: share of a torque. As the run judges. */
const USUAL_SHARE = 0.05;

function isTooCoarse(wrench: Wrench, { stage, part, values }: Work): boolean {
  const tolerance = (part ?? stage).tolerance;
  return values.some((value) => {
    const off = (offOf(wrench, value) / 100) * value.value;
    return (
      off > (tolerance?.plus ?? value.value * USUAL_SHARE) + 1e-9 ||
      -off > (tolerance?.minus ?? value.value * USUAL_SHARE) + 1e-9
    );
  });
}

/** Per cent that the nearest graduation is off. */
function roundingOf(wrench: Wrench, { values }: Work): number {
  return Math.max(...values.map((value) => Math.abs(offOf(wrench, value))));
}
const offOf = (wrench: Wrench, value: Quantity): number =>
  (wrenchSetting(wrench, value).value / (convert(value, wrench.unit) * scaleFactor(wrench)) - 1) *
  100;
/** A setting outside the window weighs more than any change. */
const TOO_COARSE = 100_000;

interface Shop {
  wrenches: readonly Wrench[];
  tools: readonly ListedTool[];
  today: string;
}

function fitOf(
  sheet: Sheet,
  work: Work,
  wrench: Wrench | null,
  { wrenches, tools, today }: Shop,
): Fit {
  if (isAngle(work)) return angleFit(sheet, work.stage, tools, today);
  if (!wrench) return missing(work, wrenches);
  const [value] = work.values;
  const highest = work.values.at(-1) ?? value;
  const setting = value && work.values.length === 1 ? wrenchSetting(wrench, value) : null;
  const pushN =
    wrench.lengthMm && highest
      ? (convert(highest, 'N.m') * scaleFactor(wrench) * 1000) / wrench.lengthMm
      : null;
  return {
    kind: 'wrench',
    wrench,
    setting,
    errorPercent: setting && value ? offOf(wrench, value) : roundingOf(wrench, work),
    tooCoarse: isTooCoarse(wrench, work),
    pushN,
  };
}

function missing({ stage, values }: Work, wrenches: readonly Wrench[]): Fit {
  const byFeel = stage.purpose === 'seating' || isOwedByPosition(stage);
  const overdue = wrenches.find((w) => reaches(w, values));
  if (overdue) return { kind: 'missing', why: 'overdue', nearest: overdue, byFeel };
  if (wrenches.length === 0) return { kind: 'missing', why: 'none', nearest: null, byFeel };
  const [low, high] = [values[0], values.at(-1)];
  const lowest = leastOf(wrenches, (w) => convert({ value: w.min, unit: w.unit }, 'N.m'));
  const highest = leastOf(wrenches, (w) => -convert({ value: w.max, unit: w.unit }, 'N.m'));
  const isBelowAll = low && lowest && wrenches.every((w) => convert(low, w.unit) < w.min);
  const isAboveAll = high && highest && wrenches.every((w) => convert(high, w.unit) > w.max);
  return {
    kind: 'missing',
    why: isBelowAll ? 'tooLow' : isAboveAll ? 'tooHigh' : 'between',
    nearest: (isBelowAll ? lowest : isAboveAll ? highest : null) ?? null,
    byFeel,
  };
}

/**
 * A gauge that fits on the bar; a digital wrench only in calibration, and where it reaches what the
 * bolt feels like at the end.
 */
function angleFit(sheet: Sheet, stage: Stage, tools: readonly ListedTool[], today: string): Fit {
  const [seat] = seatsOf(sheet, stage);
  const model = seat ? usedOnce(sheet, groupOf(sheet, seat)) : null;
  const endTorqueNm = model?.endTorqueNm ?? null;
  const bars = tools.filter((t) => t.kind === 'bar').sort((a, b) => a.lengthMm - b.lengthMm);
  const easy = (lengthMm: number): boolean =>
    endTorqueNm === null || (endTorqueNm * 1000) / lengthMm <= HARD_PUSH_N;
  const bar = bars.find((b) => easy(b.lengthMm)) ?? bars.at(-1) ?? null;
  return {
    kind: 'angle',
    bar: bar && { name: bar.name, lengthMm: bar.lengthMm },
    gauge:
      tools.find((t) => t.kind === 'angleGauge' && (bar === null || t.drive === bar.drive))?.name ??
      null,
    digital:
      tools.find(
        (t) =>
          t.kind === 'digital' &&
          t.calibratedUntil >= today &&
          (endTorqueNm === null || convert({ value: t.max, unit: t.unit }, 'N.m') >= endTorqueNm),
      )?.name ?? null,
    endTorqueNm,
    pushN: bar && endTorqueNm !== null ? (endTorqueNm * 1000) / bar.lengthMm : null,
  };
}

/** How long a bar must be for a torque to be pulled with one arm. */
export const barLengthMm = (torqueNm: number): number =>
  Math.ceil((torqueNm * 1000) / HARD_PUSH_N / 50) * 50;

/**
 * Locks and drawing tools that this joint has a use for: a damper installer has none at a cylinder
 * head.
 */
export function usesTool(sheet: Sheet, kind: 'crankLock' | 'drawingTool'): boolean {
  if (kind === 'drawingTool') return sheet.stages.some((s) => s.action === 'draw');
  return (
    sheet.holding !== undefined || sheet.steps.some((s) => s.putsIn?.includes('lock') === true)
  );
}

/**
 * Sockets to lay out, each as the sheet names it, with where it goes. Near fits round a head off.
 */
export function sockets(sheet: Sheet): { socket: string; groups: string[]; count: number }[] {
  const bySocket = new Map<string, { groups: string[]; count: number }>();
  for (const g of sheet.groups) {
    const at = bySocket.get(g.socket) ?? { groups: [], count: 0 };
    bySocket.set(g.socket, {
      groups: [...at.groups, g.name],
      count: at.count + sheet.seats.filter((s) => s.group === g.id).length,
    });
  }
  return [...bySocket].map(([socket, at]) => ({ socket, ...at }));
}
