import * as v from 'valibot';
import {
  CHECK_PERCENTS,
  checkPoints,
  dueAfter,
  READINGS_EACH,
  usualTolerance,
  WrenchCheckSchema,
  type CheckReading,
  type Direction,
  type WrenchCheck,
} from '@stennet/core/calibration';
import { DaySchema } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { parseQuantity } from '@stennet/core/quantity';
import type { ShopTool } from '@stennet/core/prepare';
import { text } from '../text';

export type WrenchTool = Extract<ShopTool, { graduation: number }>;
/** What is typed of a check, by field. */
export type CheckForm = Record<string, string>;
export interface ReadCheck {
  check: WrenchCheck;
  due: string;
}

export const readingField = (percent: number, direction: Direction, index: number): string =>
  `${direction}${percent}-${index}`;
export const waysOf = (form: CheckForm): readonly Direction[] =>
  form.ways === 'both' ? ['right', 'left'] : ['right'];
export const toleranceOf = (tool: WrenchTool): number =>
  tool.tolerancePercent ?? usualTolerance(tool);

/** Every field stands from the start: none of them is ever without a value. */
export const blankCheck = (today: string): CheckForm => ({
  day: today,
  due: dueAfter(today),
  ways: 'right',
  reference: '',
  uncertainty: '',
  ...Object.fromEntries(
    (['right', 'left'] as const).flatMap((direction) =>
      CHECK_PERCENTS.flatMap((percent) =>
        Array.from({ length: READINGS_EACH }, (_, i) => [readingField(percent, direction, i), '']),
      ),
    ),
  ),
});

/** What is typed as a check of this wrench; what is wrong with it stands at its field. */
export const CheckFields = (tool: WrenchTool) =>
  v.pipe(
    v.record(v.string(), v.string()),
    v.rawTransform<CheckForm, ReadCheck>(({ dataset: { value: form }, addIssue, NEVER }) => {
      const read = readCheck(tool, form);
      if (!('problems' in read)) return read;
      for (const [key, message] of Object.entries(read.problems))
        addIssue({
          message,
          path: [{ type: 'object', origin: 'value', input: form, key, value: form[key] }],
        });
      return NEVER;
    }),
  );

/** @returns the check, or what is wrong by field */
export function readCheck(
  tool: WrenchTool,
  form: CheckForm,
): ReadCheck | { problems: Record<string, string> } {
  const problems: Record<string, string> = {};
  const filled = (field: string, label: string, read: (typed: string) => unknown): unknown => {
    const typed = (form[field] ?? '').trim();
    if (typed === '') return void (problems[field] = text.incomplete({ field: label }));
    try {
      return read(typed);
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      return void (problems[field] = `${error.message} ${error.fix}`);
    }
  };
  const day = (field: string, label: string): unknown =>
    filled(field, label, (typed) => {
      if (!v.is(DaySchema, typed)) problems[field] = text.incomplete({ field: label });
      return typed;
    });
  const readings = checkPoints(tool).flatMap(({ percent, value }) =>
    waysOf(form).flatMap((direction) =>
      Array.from({ length: READINGS_EACH }, (_, i): unknown => ({
        percent,
        direction,
        wrench: value,
        reference: filled(
          readingField(percent, direction, i),
          text.check.reading({ n: i + 1 }),
          (typed) => parseQuantity(typed, tool.unit).value,
        ),
      })),
    ),
  ) as CheckReading[];
  const check = {
    day: day('day', text.check.day),
    unit: tool.unit,
    max: tool.max,
    graduation: tool.graduation,
    tolerancePercent: toleranceOf(tool),
    reference: {
      name: filled('reference', text.check.reference, (typed) => typed),
      uncertaintyPercent: filled('uncertainty', text.check.uncertainty, percentOf),
    },
    readings,
  };
  const due = day('due', text.check.due);
  if (Object.keys(problems).length > 0) return { problems };
  if (String(due) <= String(check.day)) return { problems: { due: text.check.dueLater } };
  const parsed = v.safeParse(WrenchCheckSchema, check);
  if (parsed.success) return { check: parsed.output, due: String(due) };
  const at = v.getDotPath(parsed.issues[0]) ?? '';
  const field = at.startsWith('reference') ? 'uncertainty' : fieldAt(at, readings);
  return { problems: { [field]: text.incomplete({ field: labelOf(field) }) } };
}

/** A number is read as any other here; the sign of the unit may be typed along. */
const percentOf = (typed: string): number => parseQuantity(typed.replace(/\s*%$/, ''), 'mm').value;

function fieldAt(path: string, readings: readonly CheckReading[]): string {
  const index = Number(/^readings\.(\d+)/.exec(path)?.[1] ?? 0);
  const reading = readings[index];
  return reading ? readingField(reading.percent, reading.direction, index % READINGS_EACH) : 'day';
}
const labelOf = (field: string): string =>
  field === 'uncertainty'
    ? text.check.uncertainty
    : text.check.reading({ n: Number(field.split('-')[1] ?? 0) + 1 });
