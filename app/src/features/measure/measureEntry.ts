import * as v from 'valibot';
import { measureKinds } from '@stennet/core/measure';
import type { EntryOf } from '@stennet/core/order';
import { parseCents } from '@stennet/core/quantity';
import { commonText } from '@/language/common';
import { measuringOf, type MeasureForm } from '@/ui/measuring/measuring';
import { text as measuringText } from '@/ui/measuring/text';
import { text } from './text';

export type MeasurementEntry = EntryOf<'measurement'>;
type Then = NonNullable<MeasurementEntry['then']>;
type Problems = Partial<Record<keyof MeasureForm, string>>;

/** @returns what is wrong, by field; of prices only those that are asked for */
export function problemsOf(form: MeasureForm): Problems {
  const { judged, odd } = measuringOf(form);
  const isPass = judged?.verdict === 'pass';
  const missing = (field: string): string => commonText.missing({ field });
  return {
    ...(form.of.trim() ? {} : { of: missing(text.of) }),
    ...(form.instrument.trim() ? {} : { instrument: missing(measuringText.instrument) }),
    ...(judged ? {} : { rows: measuringText.missing }),
    ...(odd.length > 0 && !form.confirmed
      ? { confirmed: measuringText.implausible({ row: odd.join(', ') }) }
      : {}),
    ...(isPass || parseCents(form.mend) !== undefined ? {} : { mend: text.priceWrong }),
    ...(isPass || parseCents(form.replace) !== undefined ? {} : { replace: text.priceWrong }),
  };
}

/** The entry that a form without problems means; null as long as there is no verdict. */
function entryOf(form: MeasureForm): MeasurementEntry | null {
  const { measured, judged } = measuringOf(form);
  if (!measured || !judged) return null;
  const { what, unit, uncertainty, limits, rows, strip } = measured;
  const [mend, replace] = [parseCents(form.mend), parseCents(form.replace)];
  return {
    kind: 'measurement',
    what,
    of: form.of.trim(),
    instrument: form.instrument.trim(),
    unit,
    uncertainty,
    limits,
    rows: rows
      .filter((r) => measureKinds[what].needsAll || r.values.some((value) => value !== null))
      .map((r) => ({ row: r.row, values: [...r.values] })),
    ...(strip && strip.length >= 2
      ? { strip: strip.map(([w, c]): [number, number] => [w, c]) }
      : {}),
    verdict: judged.verdict,
    ...(judged.verdict !== 'pass' && typeof mend === 'number' && typeof replace === 'number'
      ? { prices: { mend, replace } }
      : {}),
    ...(judged.verdict !== 'pass' && form.then ? { then: form.then as Then } : {}),
    ...(form.note.trim() ? { note: form.note.trim() } : {}),
  };
}

/** What is typed, as the entry that it means; what is wrong stands at its field. */
export const MeasureFields = v.pipe(
  v.custom<MeasureForm>((form) => typeof form === 'object'),
  v.rawTransform<MeasureForm, MeasurementEntry>(({ dataset: { value: form }, addIssue, NEVER }) => {
    const problems = Object.entries(problemsOf(form));
    for (const [key, message] of problems)
      addIssue({
        message,
        path: [{ type: 'object', origin: 'value', input: { ...form }, key, value: null }],
      });
    return (problems.length === 0 ? entryOf(form) : null) ?? NEVER;
  }),
);
