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

type Label = {
  [K in keyof typeof text]: (typeof text)[K] extends string ? K : never;
}[keyof typeof text];

interface Field {
  name: string;
  /** By the name of its message. */
  label: Label;
  kind: 'text' | 'number' | 'day' | 'drive' | 'unit' | 'holds';
  /** The unit that a number is in where none is typed. */
  unit?: UnitCode;
  optional?: boolean;
}
const name: Field = { name: 'name', label: 'name', kind: 'text' };
const drive: Field = { name: 'drive', label: 'driveLabel', kind: 'drive' };
const number = (field: string, label: Label, more: Partial<Field> = {}): Field => ({
  name: field,
  label,
  kind: 'number',
  ...more,
});
const wrench: readonly Field[] = [
  name,
  { name: 'unit', label: 'unit', kind: 'unit' },
  number('max', 'max'),
  number('min', 'min'),
  number('graduation', 'graduation'),
  { name: 'calibratedUntil', label: 'calibratedUntil', kind: 'day' },
  number('tolerancePercent', 'tolerancePercent', { optional: true }),
  { ...drive, optional: true },
  number('lengthMm', 'lengthMm', { unit: 'mm', optional: true }),
];
const FIELDS: Record<ShopToolKind, readonly Field[]> = {
  click: wrench,
  dial: wrench,
  digital: wrench,
  bar: [name, drive, number('lengthMm', 'barLength', { unit: 'mm' })],
  angleGauge: [name, drive, number('stepDeg', 'stepDeg', { unit: 'deg' })],
  crowfoot: [
    name,
    drive,
    { name: 'opening', label: 'opening', kind: 'text' },
    number('offsetMm', 'offsetMm', { unit: 'mm' }),
  ],
  drawingTool: [
    name,
    { name: 'fits', label: 'fits', kind: 'text' },
    number('ceiling', 'ceilingLabel', { unit: 'N.m' }),
  ],
  crankLock: [
    name,
    { name: 'fits', label: 'fits', kind: 'text' },
    { name: 'holds', label: 'holdsLabel', kind: 'holds' },
  ],
  stand: [name, number('ratedKg', 'ratedKg')],
};

/** The fields of a kind of tool, in the language of the moment. */
export const fieldsOf = (kind: ShopToolKind) =>
  FIELDS[kind].map((field) => ({ ...field, label: text[field.label] }));

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

/**
 * What is typed, as the tool that it means; what is wrong with it stands at its field. `kind` is
 * one of the fields.
 */
export const ToolFields = v.pipe(
  v.record(v.string(), v.string()),
  v.rawTransform<ToolForm, { tool: ShopTool }>(({ dataset: { value: form }, addIssue, NEVER }) => {
    const read = readTool(form.kind as ShopToolKind, form);
    if ('tool' in read) return read;
    for (const [key, message] of Object.entries(read.problems))
      addIssue({
        message,
        path: [{ type: 'object', origin: 'value', input: form, key, value: form[key] }],
      });
    return NEVER;
  }),
);

/** @returns the tool, or what is wrong by field */
export function readTool(
  kind: ShopToolKind,
  form: ToolForm,
): { tool: ShopTool } | { problems: ToolProblems } {
  const problems: ToolProblems = {};
  const read: Record<string, unknown> = { kind };
  for (const field of fieldsOf(kind)) {
    const typed = (form[field.name] ?? '').trim();
    if (typed === '') {
      if (!field.optional) problems[field.name] = text.incomplete({ field: field.label });
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
      problems: {
        [at]: text.incomplete({ field: fieldsOf(kind).find((f) => f.name === at)?.label ?? at }),
      },
    };
  }
  const wrong = problemsOf(parsed.output);
  return wrong.length > 0
    ? { problems: Object.fromEntries(wrong.map((w) => [w.field, w.text])) }
    : { tool: parsed.output };
}

function valueOf(field: Omit<Field, 'label'>, typed: string, form: ToolForm): unknown {
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
    return form.max
      ? text.minHint({ value: String(usualLowest(parseQuantity(form.max, 'mm').value)) })
      : null;
  } catch {
    return null;
  }
}
