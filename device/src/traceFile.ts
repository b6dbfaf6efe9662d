import Papa from 'papaparse';
import * as v from 'valibot';
import { convert, firstUnitIn, units, type UnitCode } from '@stennet/core/quantity';
import { TraceSchema, type Trace } from '@stennet/core/trace';

/** What can't be read, in words that say what would. */
export class TraceUnread extends Error {}

const HEAD = 'time (s),torque (N·m),angle (°)';

/**
 * A trace from its JSON form, or from a table: one line of headings with their units in brackets,
 * as `time (s),torque (lbf·in),angle (°)`, then a line for each sample.
 * @throws TraceUnread
 */
export function readTrace(text: string, name: string): Trace {
  const found = text.trimStart().startsWith('{') ? fromJson(text) : fromTable(text, name);
  const trace = v.safeParse(TraceSchema, found);
  if (!trace.success) {
    const [issue] = trace.issues;
    const where = v.getDotPath(issue) ?? 'the trace';
    throw new TraceUnread(`${where}: expected ${issue.expected ?? issue.message}.`);
  }
  return trace.output;
}

function fromJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new TraceUnread('This is no JSON.');
  }
}

function fromTable(text: string, name: string): unknown {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  const [head = [], ...rows] = data;
  const time = columnOf(head, /^time\b/i);
  const torque = columnOf(head, /^torque\b/i);
  const angle = columnOf(head, /^angle\b/i);
  const perSecond = /ms/.test(time.unit) ? 1000 : 1;
  const torqueUnit = unitOf(torque.unit, 'torque');
  const angleUnit: UnitCode = /rad/i.test(angle.unit) ? 'rad' : 'deg';
  const numbers = (at: number): number[] =>
    rows.map((row, i) => {
      const value = Number((row[at] ?? '').trim().replace(',', '.'));
      if ((row[at] ?? '').trim() === '' || !Number.isFinite(value))
        throw new TraceUnread(`Line ${i + 2}: “${row[at] ?? ''}” isn’t a number.`);
      return value;
    });
  return {
    format: 'stennet-trace',
    v: 1,
    wrench: name.slice(0, 60),
    simulated: false,
    tS: numbers(time.at).map((t) => t / perSecond),
    torqueNm: numbers(torque.at).map((t) => convert({ value: t, unit: torqueUnit }, 'N.m')),
    angleDeg: numbers(angle.at).map((a) => convert({ value: a, unit: angleUnit }, 'deg')),
  };
}

function columnOf(head: readonly string[], named: RegExp): { at: number; unit: string } {
  const at = head.findIndex((h) => named.test(h.trim()));
  const unit = /\(([^)]+)\)/.exec(head[at] ?? '')?.[1];
  if (at < 0 || !unit)
    throw new TraceUnread(`The first line has to name the columns and their units: ${HEAD}`);
  return { at, unit };
}

function unitOf(words: string, kind: 'torque'): UnitCode {
  const found = firstUnitIn(words.trim());
  if (!found || units[found.code].kind !== kind)
    throw new TraceUnread(`“${words}” isn’t a unit of ${kind}. Known: N·m, lbf·ft, lbf·in, kgf·m.`);
  return found.code;
}

/** As a table that any spreadsheet opens. */
export const traceTable = ({ tS, torqueNm, angleDeg }: Trace): string =>
  [HEAD, ...tS.map((t, i) => `${t},${torqueNm[i]},${angleDeg[i]}`)].join('\n') + '\n';
