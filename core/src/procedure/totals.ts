import { convert, plainText, units } from '../quantity';
import type { Sheet } from './sheet';
import type { Part, Stage, Target } from './stage';
import { seatsOf } from './stageFacts';

/** What fasteners that are treated alike get, from the last time they were loose. */
export interface Total {
  seats: string[];
  /** Each value in turn: `27 N·m`, `+75°`. */
  values: string[];
  /** All angles together; null where none is. */
  degrees: number | null;
}

/**
 * Every fastener's values from first to last, those alike together: what shows at a glance that an
 * inner bolt gets 90° and an outer one 65°, and none of them both.
 */
export function totalsOf(sheet: Sheet): Total[] {
  const totals = new Map<string, Total>();
  for (const seat of sheet.seats) {
    const total = totalOf(sheet, seat.id);
    const key = total.values.join(' ');
    const known = totals.get(key);
    if (known) known.seats.push(seat.id);
    else totals.set(key, total);
  }
  return [...totals.values()];
}

function totalOf(sheet: Sheet, seat: string): Total {
  let values: string[] = [];
  let degrees: number | null = null;
  for (const stage of sheet.stages) {
    if (!seatsOf(sheet, stage).some((s) => s.id === seat)) continue;
    for (const of of stage.each ?? [stage as Stage | Part]) {
      if (of.action === 'loosen' || of.action === 'swap') [values, degrees] = [[], null];
      const { target } = of;
      if (!target || !['torque', 'angle', 'stretch'].includes(of.action)) continue;
      const isAngle = units[target.unit].kind === 'angle';
      if (isAngle) degrees = (degrees ?? 0) + mostDegrees(target);
      values.push(`${isAngle ? '+' : ''}${said(target)}`);
    }
  }
  return { seats: [seat], values, degrees };
}

const mostDegrees = (target: Target): number =>
  convert({ value: 'value' in target ? target.value : target.max, unit: target.unit }, 'deg');

const said = (target: Target): string =>
  'value' in target
    ? plainText(target)
    : `${target.min}–${plainText({ value: target.max, unit: target.unit })}`;
