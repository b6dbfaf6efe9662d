import { judgeMeasured, type Measured } from '@stennet/core/measure';
import { asRead, type Formatter } from '@stennet/core/quantity';
import { ofKind, type ShownEntry } from '@/data';
import { text } from './text';

/** What was measured last of each thing, against its limit where there is one alone. */
export function measuredFact(entries: readonly ShownEntry[], format: Formatter): string {
  const last = new Map(ofKind(entries, 'measurement').map((e) => [e.body.of, e.body]));
  return [...last.values()].map((body) => oneFact(body.of, body as Measured, format)).join(' · ');
}

function oneFact(of: string, measured: Measured, format: Formatter): string {
  const say = (value: number): string =>
    format.quantity(asRead({ value, unit: 'mm' }, measured.unit)).text;
  const worst = judgeMeasured(measured).found.find((f) => f.verdict !== null && f.mm !== null);
  if (!worst || worst.mm === null) return of;
  const limits = Object.values(measured.limits);
  const value = say(worst.mm);
  return limits.length === 1 && limits[0] !== undefined
    ? text.measuredLimit({
        of,
        value,
        limit: format.quantity({ value: limits[0], unit: measured.unit }).text,
      })
    : text.measuredAs({ of, value });
}
