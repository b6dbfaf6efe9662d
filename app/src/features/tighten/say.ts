import { whereabouts } from '@stennet/core/joint';
import type { Sheet } from '@stennet/core/procedure';
import { units, type Formatter, type Quantity } from '@stennet/core/quantity';
import { seatIdOf, type Next, type PullNext, type RunEvent } from '@stennet/core/run';
import { boltName, text } from './text';

export function whereIs(sheet: Sheet, fastener: string): string {
  const seat = sheet.seats.find((s) => s.id === seatIdOf(fastener));
  const at = seat && whereabouts(sheet.pattern, seat.position);
  return at ? text.where(at.row, at.rows, at.inRow, at.ofRow) : '';
}

/** A pull in one spoken line. */
export function pullLine(sheet: Sheet, format: Formatter, due: PullNext): string {
  return `${boltName(due.fastener)}, ${whereIs(sheet, due.fastener)}, ${due.inHand ? format.inHand(due.inHand).text : due.stage.name}`;
}

export function lastLine(sheet: Sheet, event: RunEvent | undefined): string | null {
  if (!event) return null;
  if (event.type !== 'pulled') return text.steps[event.type] ?? null;
  const stage = sheet.stages.find((s) => s.id === event.payload.stage);
  return `${boltName(event.payload.fastener)}, ${stage?.name ?? ''}`;
}

export function nextLine(sheet: Sheet, format: Formatter, due: Next): string | null {
  if (due.kind === 'pull') return pullLine(sheet, format, due);
  return 'stage' in due ? due.stage.name : due.kind === 'step' ? due.step.text : null;
}

export const symbolOf = (q: Quantity): string => units[q.unit].symbol;
