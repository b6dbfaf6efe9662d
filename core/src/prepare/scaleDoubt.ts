import { convert, type DRIVES, type UnitCode } from '../quantity';
import type { ShopTool } from './shopTool';

/**
 * How far up the scale of a torque wrench goes, by its drive, N·m. Wide enough for every wrench
 * that is sold; a scale beyond it is more likely a unit that was read wrong. Source: engineering
 * practice.
 */
const TOP_NM: Readonly<Record<(typeof DRIVES)[number], readonly [number, number]>> = {
  '1/4': [4, 40],
  '3/8': [15, 160],
  '1/2': [50, 450],
  '3/4': [200, 1500],
  '1': [600, 3000],
};
const PRINTED: readonly UnitCode[] = ['N.m', '[ft_i].[lbf_av]', '[in_i].[lbf_av]'];

/**
 * The unit that a wrench's scale is more likely printed in, where its top value cannot be in the
 * one that was entered. The factor between N·m and lbf·ft is too small to be seen this way.
 * @returns null where the scale is as wrenches of that drive are, or no unit fits better
 * @example a ½-inch wrench up to 200 lbf·in: N·m
 */
export function scaleDoubt(tool: ShopTool): UnitCode | null {
  if (tool.kind !== 'click' && tool.kind !== 'dial' && tool.kind !== 'digital') return null;
  if (!tool.drive) return null;
  const [low, high] = TOP_NM[tool.drive];
  const middle = Math.sqrt(low * high);
  const topIn = (unit: UnitCode): number => convert({ value: tool.max, unit }, 'N.m');
  const fits = (unit: UnitCode): boolean => topIn(unit) >= low && topIn(unit) <= high;
  if (fits(tool.unit)) return null;
  const far = (unit: UnitCode): number => Math.abs(Math.log(topIn(unit) / middle));
  return PRINTED.filter(fits).sort((a, b) => far(a) - far(b))[0] ?? null;
}
