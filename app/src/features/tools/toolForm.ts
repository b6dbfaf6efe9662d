import * as v from 'valibot';
import {
  problemsOf,
  ShopToolSchema,
  usualLowest,
  type ShopTool,
  type ShopToolKind,
} from '@stennet/core/prepare';
import { parseQuantity, type UnitCode } from '@stennet/core/quantity';
import { AppError } from '@stennet/core/errors';
import { text } from './text';

/** What is typed, by the tool's own names of fields. */
export type ToolForm = Record<string, string>;

interface Field {
  name: string;
  label: string;
  kind: 'text' | 'number' | 'day' | 'drive' | 'unit' | 'holds';
  /** The unit that a number is in where none is typed. */
  unit?: UnitCode;
  optional?: boolean;
}
const name: Field = { name: 'name', label: text.name, kind: 'text' };
const drive: Field = { name: 'drive', label: text.driveLabel, kind: 'drive' };
const number = (field: string, label: string, more: Partial<Field> = {}): Field => ({
  name: field,
  label,
  kind: 'number',
  ...more,
});
const wrench: readonly Field[] = [
  name,
  { name: 'unit', label: text.unit, kind: 'unit' },
  number('max', text.max),
  number('min', text.min),
  number('graduation', text.graduation),
  { name: 'calibratedUntil', label: text.calibratedUntil, kind: 'day' },
  number('tolerancePercent', text.tolerancePercent, { optional: true }),
  { ...drive, optional: true },
  number('lengthMm', text.lengthMm, { unit: 'mm', optional: true }),
];
export const FIELDS: Record<ShopToolKind, readonly Field[]> = {
  click: wrench,
  dial: wrench,
  digital: wrench,
  bar: [name, drive, number('lengthMm', text.barLength, { unit: 'mm' })],
  angleGauge: [name, drive, number('stepDeg', text.stepDeg, { unit: 'deg' })],
  crowfoot: [
    name,
    drive,
    { name: 'opening', label: text.opening, kind: 'text' },
    number('offsetMm', text.offsetMm, { unit: 'mm' }),
  ],
  drawingTool: [
    name,
    { name: 'fits', label: text.fits, kind: 'text' },
    number('ceiling', text.ceilingLabel, { unit: 'N.m' }),
  ],
  crankLock: [
    name,
    { name: 'fits', label: text.fits, kind: 'text' },
    { name: 'holds', label: text.holdsLabel, kind: 'holds' },
  ],
  stand: [name, number('ratedKg', text.ratedKg)],
};

export function formOfTool(tool: ShopTool): ToolForm {
  return Object.fromEntries(
    Object.entries(tool).map(([field, value]) => [
      field,
      typeof value === 'object' && value !== null && 'value' in value
        ? `${String(value.value)}`
        : String(value),
    ]),
  );
}

export type ToolProblems = Record<string, string>;

/** @returns the tool, or what is wrong by field */
export function readTool(
  kind: ShopToolKind,
  form: ToolForm,
): { tool: ShopTool } | { problems: ToolProblems } {
  const problems: ToolProblems = {};
  const read: Record<string, unknown> = { kind };
  for (const field of FIELDS[kind]) {
    const typed = (form[field.name] ?? '').trim();
    if (typed === '') {
      if (!field.optional) problems[field.name] = text.incomplete(field.label);
      continue;
    }
    try {
      read[field.name] = valueOf(field, typed, form);
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      problems[field.name] = `${error.message} ${error.fix}`;
    }
  }
  if (Object.keys(problems).length > 0) return { problems };
  const parsed = v.safeParse(ShopToolSchema, read);
  if (!parsed.success) {
    const at = v.getDotPath(parsed.issues[0])?.split('.')[0] ?? 'name';
    return {
      problems: { [at]: text.incomplete(FIELDS[kind].find((f) => f.name === at)?.label ?? at) },
    };
  }
  const wrong = problemsOf(parsed.output);
  return wrong.length > 0
    ? { problems: Object.fromEntries(wrong.map((w) => [w.field, w.text])) }
    : { tool: parsed.output };
}

function valueOf(field: Field, typed: string, form: ToolForm): unknown {
  if (field.kind !== 'number') return typed;
  // The values of a scale may be typed with their unit: they come out in the scale's own.
  const isScale = ['min', 'max', 'graduation'].includes(field.name);
  const unit = field.unit ?? (isScale && form.unit ? (form.unit as UnitCode) : undefined);
  if (!unit) return parseQuantity(typed.replace(/\s*(%|kg)$/, ''), 'mm').value;
  const quantity = parseQuantity(typed, unit);
  const value = asWritten(quantity.value);
  return field.name === 'ceiling' ? { value, unit } : value;
}

/**
 * What was typed in another unit has no end: four digits are finer than any scale is read. What was
 * typed as it is stays as it is.
 */
function asWritten(value: number): number {
  const typed = Number(value.toPrecision(6));
  return Math.abs(typed - value) <= Math.abs(value) * 1e-9 ? typed : Number(value.toPrecision(4));
}

/** For a scale without a lowest value on it. */
export function lowestHint(form: ToolForm): string | null {
  try {
    return form.max ? text.minHint(String(usualLowest(parseQuantity(form.max, 'mm').value))) : null;
  } catch {
    return null;
  }
}
