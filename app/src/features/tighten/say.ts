import { type flatsOf } from '@stennet/core/drawing';
import { DEVIATION_TEXT } from '@stennet/core/record';
import { textAt } from '@stennet/core/language';
import { whereabouts, type Whereabouts } from '@stennet/core/joint';
import type { Sheet } from '@stennet/core/procedure';
import type { Say } from '@stennet/core/contract/work';
import { units, type Formatter, type Quantity, type Wrench } from '@stennet/core/quantity';
import {
  seatIdOf,
  type Deviation,
  type Next,
  type PullNext,
  type RunEvent,
  type RunState,
  type Statement,
} from '@stennet/core/run';
import { fastenerName, text } from './text';

export function whereIs(sheet: Sheet, fastener: string): string {
  const seat = sheet.seats.find((s) => s.id === seatIdOf(fastener));
  const at = seat && whereabouts(sheet.pattern, seat.position);
  return at ? whereText(at) : '';
}

/** A pull in one spoken line. */
export function pullLine(sheet: Sheet, format: Formatter, due: PullNext): string {
  return [
    fastenerName(sheet, due.fastener),
    whereIs(sheet, due.fastener),
    due.inHand ? format.inHand(due.inHand).text : due.stage.name,
  ]
    .filter(Boolean)
    .join(', ');
}

/** Signs as they are spoken. */
const SPOKEN: readonly (readonly [RegExp, string])[] = [
  [/N·m/g, 'newton metres'],
  [/lbf·in|inch-pounds/g, 'inch-pounds'],
  [/lbf·ft|foot-pounds/g, 'foot-pounds'],
  [/\+?(\d+(?:[.,]\d+)?)\s*°/g, '$1 degrees'],
];
/** @example spoken('bolt 7, +75°') // 'bolt 7, 75 degrees' */
export const spoken = (line: string): string =>
  SPOKEN.reduce((said, [sign, words]) => said.replace(sign, words), line);

export function lastLine(sheet: Sheet, event: RunEvent | undefined): string | null {
  if (!event) return null;
  if (event.type !== 'pulled') return textAt(text.steps, event.type) ?? null;
  const stage = sheet.stages.find((s) => s.id === event.payload.stage);
  return `${fastenerName(sheet, event.payload.fastener)}, ${stage?.name ?? ''}`;
}

export function nextLine(sheet: Sheet, format: Formatter, due: Next): string | null {
  if (due.kind === 'pull') return pullLine(sheet, format, due);
  return 'stage' in due ? due.stage.name : due.kind === 'step' ? due.step.text : null;
}

export const symbolOf = (q: Quantity): string => units[q.unit].symbol;

/** What a lead said, in a line. */
export function statementText(s: Statement, state: RunState): string {
  switch (s.kind) {
    case 'allowance': {
      const about = Object.keys(s.about)[0] as keyof typeof text.aboutText;
      return `${text.decides[s.decision]} ${text.aboutText[about]}`;
    }
    case 'release':
      return `${state.sheet.stages.find((stage) => stage.id === s.hold)?.name ?? ''}: ${text.release[s.decision].toLowerCase()}`;
    case 'leaveOut':
      return text.leavesOut({ bolt: fastenerName(state.sheet, s.fastener) });
    case 'claims':
      return text.claims({
        count: s.claims.length,
        bolts: [...new Set(s.claims.map((c) => fastenerName(state.sheet, c.fastener)))].join(', '),
      });
    default:
      return s.text ?? '';
  }
}

/** What a lead may say to a hold that waits for them. */
export function releaseWords(
  due: Extract<Next, { kind: 'hold' }>,
): { label: string; say: Say; look?: 'warn' }[] {
  const word = (decision: 'passed' | 'failed' | 'single' | 'redo', look?: 'warn') => ({
    label: text.release[decision],
    say: {
      kind: 'release',
      hold: due.stage.id,
      decision,
      ...(due.hold.kind === 'notCovered' ? { fastener: due.hold.fastener } : {}),
    } as const,
    ...(look ? { look } : {}),
  });
  if (due.hold.kind === 'named') return [word('passed'), word('failed', 'warn')];
  if (due.hold.kind === 'failed' && due.fastener)
    return [
      { label: text.leaveOutYes, say: { kind: 'leaveOut', fastener: due.fastener }, look: 'warn' },
    ];
  if (due.hold.kind === 'above' || due.hold.kind === 'belowFloor' || due.hold.kind === 'notCovered')
    return [{ ...word('passed'), label: text.letStand, look: 'warn' }];
  return due.hold.kind === 'replaced' ? [word('single'), word('redo', 'warn')] : [];
}

/** A deviation in one line, for who decides about it. */
export const deviationLine = (state: RunState, d: Deviation): string =>
  [
    d.fastener ? fastenerName(state.sheet, d.fastener) : '',
    DEVIATION_TEXT[d.kind],
    state.sheet.stages.find((s) => s.id === d.stage)?.name ?? '',
  ]
    .filter(Boolean)
    .join(' · ');

/** A wrench as it is held: with what is on it. */
export const wrenchName = (wrench: Wrench): string =>
  wrench.adapter
    ? text.wrenchWith({
        wrench: wrench.name,
        adapter: wrench.adapter.name,
        deg: wrench.adapter.angleDeg,
      })
    : wrench.name;

/** Where a fastener is, as someone who stands before it would point it out. */
function whereText(at: Whereabouts): string {
  if (at.shape === 'alone') return '';
  if (at.shape === 'ring') return text.atHour({ hour: at.hour });
  const { top, middle, bottom, only } = text.rows;
  const names: Record<number, readonly string[]> = {
    1: [only],
    2: [top, bottom],
    3: [top, middle, bottom],
  };
  const row = names[at.rows]?.[at.row - 1] ?? text.rowOf({ n: at.row, of: at.rows });
  return text.inRow({ row, n: at.inRow, of: at.ofRow });
}

/** An angle in flats of a hex, for someone who counts them. */
export function flatsText({ whole, quarters, off }: ReturnType<typeof flatsOf>): string {
  const { flats } = text;
  const count = flats.whole({ count: whole });
  const rest = [
    whole === 0 ? '' : count,
    whole === 0 ? flats.quarter1 : flats.and1({ flats: count }),
    whole === 0 ? flats.quarter2 : flats.and2({ flats: count }),
    whole === 0 ? flats.quarter3 : flats.and3({ flats: count }),
  ][quarters];
  if (!rest || off === 0) return rest ?? '';
  return (off > 0 ? flats.more : flats.less)({ flats: rest });
}
