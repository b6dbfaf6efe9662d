import { textAt, textsOf } from '../language';
import { recordWords } from '../language/en/recordWords';
import { seatIdOf, type Deviation, type FailureKind, type Method, type Outcome } from '../run';
import {
  pullsIn,
  takesPart,
  type RecordedFastener,
  type RecordedPull,
  type RunRecord,
} from './runRecord';
import { groupOfSeat, nounText, type Stage } from '../procedure';
import type { Formatter } from '../quantity';
import type { RecordedSight } from './stepSights';

const text = textsOf('recordWords', recordWords);

/** The words of a record: the same on the screen, on paper and in what goes out. */
export const DEVIATION_TEXT: Record<Deviation['kind'], string> = text.deviations;

/** A deviation as lists show it. @example “broke off: bolt 7” */
export function happenedText(of: string | { kind: string; fastener: string | null }): string {
  if (typeof of === 'string') return of;
  const what = DEVIATION_TEXT[of.kind as Deviation['kind']] ?? of.kind;
  return of.fastener ? `${what}: ${boltLabel(of.fastener)}` : what;
}
export const DECIDED_TEXT = text.decided;

export const METHOD_TEXT: Record<Method, string> = text.methods;
export const OUTCOME_TEXT: Record<Outcome, string> = text.outcomes;
/** In a table: a click says that the value was reached, and is no measured number. */
const CELL_TEXT: Record<Outcome, string> = text.cells;

export const SAID_TEXT = text.said;
export const ABOUT_TEXT = text.about;
const FAILURE_TEXT: Record<FailureKind, string> = text.failures;

/** The first one in a hole is named by the hole alone. @example boltLabel('4/1') // '4' */
export const boltLabel = (fastener: string): string => fastener.replace(/\/1$/, '');
/** In a table both lives of a replaced one are told apart. */
export const fastenerLabel = ({
  fastener,
  seat,
  replaced,
}: Pick<RecordedFastener, 'fastener' | 'seat' | 'replaced'>): string =>
  fastener.endsWith('/1') && !replaced ? seat : fastener;

/**
 * What is on a fastener after a stage, for a table; empty where it takes no part, a dot where
 * nothing was done.
 */
export function cellText(
  record: RunRecord,
  fastener: RecordedFastener,
  stage: Stage,
  format: Pick<Formatter, 'quantity' | 'angle'>,
): string {
  if (!takesPart(record.sheet, stage, fastener.fastener)) return '';
  const pulls = pullsIn(fastener, stage);
  const last = pulls.at(-1);
  if (!last) return '·';
  const value =
    last.target?.unit === 'deg'
      ? angleText(pulls, last, last.target.value, format)
      : torqueText(last, format);
  return last.method === 'confirmedTogether' ? text.together({ value }) : value;
}

function torqueText(last: RecordedPull, format: Pick<Formatter, 'quantity'>): string {
  const read = last.onBolt ? format.quantity(last.onBolt).text : CELL_TEXT[last.outcome];
  return last.pass > 1 ? text.passes({ value: read, n: last.pass }) : read;
}

function angleText(
  pulls: readonly RecordedPull[],
  last: RecordedPull,
  targetDeg: number,
  format: Pick<Formatter, 'angle'>,
): string {
  if (last.outcome === 'stoppedShort' && !last.reading) return CELL_TEXT.stoppedShort;
  const measured = pulls.filter((p) => p.reading);
  if (measured.length < pulls.length) return format.angle(targetDeg);
  return format.angle(
    last.method === 'stripe'
      ? (last.onBolt?.value ?? 0)
      : pulls.reduce((sum, p) => sum + (p.reading?.value ?? 0), 0),
  );
}

/** The other kinds of entries in one line: the word before, and what it is about. */

/** What was seen, measured, tried or kept, in one line. */
export function sightTitle(s: RecordedSight): string {
  const bolts = s.fasteners.map(boltLabel).join(', ');
  if (s.kind === 'fitted') return text.fittedLine({ bolts });
  if (s.kind === 'added')
    return text.addedLine({ what: textAt(text.added, s.what) ?? s.what, bolts });
  const title = textAt(text.sights, s.kind);
  if (title) return [title, s.what || bolts].filter(Boolean).join(': ');
  if (s.kind === 'bagged') return `${s.what}: ${bolts}`;
  if (s.kind === 'tried')
    return bolts ? text.triedOn({ bolts, what: s.what }) : text.tried({ what: s.what });
  if (s.kind === 'failed') return `${s.failure ? FAILURE_TEXT[s.failure] : ''}: ${bolts || s.what}`;
  return s.what;
}

export function sightResult(s: RecordedSight, format: Pick<Formatter, 'quantity'>): string {
  const values = s.values
    .map(({ row, value }) => `${row ? `${row}: ` : ''}${format.quantity(value).text}`)
    .join('; ');
  return [resultText(s), values].filter(Boolean).join(' · ');
}

function resultText({ kind, what, result }: RecordedSight): string {
  if (kind === 'fitted') return textAt(text.fitted, what) ?? what;
  if (kind === 'tried') return textAt(text.attempts, result) ?? result;
  if (kind === 'hold') return textAt(text.decisions, result) ?? result;
  if (kind === 'replaced')
    return result.replace(/^(new|ownHole|other)/, (c) => textAt(text.fitted, c) ?? c);
  if (kind === 'tool') return textAt(METHOD_TEXT, result) ?? result;
  return kind === 'round' ? text.round({ result }) : result;
}

/** A deviation in one line. @param people names by id */
export function deviationText(
  record: RunRecord,
  d: RunRecord['deviations'][number],
  people: Readonly<Record<string, string>>,
): string {
  const stage = record.sheet.stages.find((s) => s.id === d.stage)?.name ?? '';
  const by = record.said.findLast((s) => s.of === d.event)?.person;
  const decided = d.decision
    ? `${DECIDED_TEXT[d.decision]} ${(by && people[by]) ?? text.theLead}`
    : d.needsLead
      ? text.waitsLead
      : '';
  const at = d.fastener
    ? `${nounText(groupOfSeat(record.sheet, seatIdOf(d.fastener)))} ${boltLabel(d.fastener)}`
    : '';
  return [
    at && at.charAt(0).toUpperCase() + at.slice(1),
    stage,
    DEVIATION_TEXT[d.kind],
    people[d.person] ?? '',
    decided,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** What someone with the right said, in a sentence without its time. */
export function saidText(
  s: RunRecord['said'][number],
  people: Readonly<Record<string, string>>,
): string {
  const reason = s.text ? ` ${s.text.replace(/\.$/, '')}.` : '';
  if (s.about === 'run') return `${people[s.person] ?? ''} ${SAID_TEXT[s.decision]}:${reason}`;
  return `${people[s.person] ?? ''} ${SAID_TEXT[s.decision]}: ${ABOUT_TEXT[s.about]}${s.name ? ` ${s.name}` : ''}.${reason}`;
}
