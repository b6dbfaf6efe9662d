import { isByFastener, isOn, isOwedByPosition, type Sheet, type Stage } from '../procedure';
import { judgePull } from './judgePull';
import { fastenerId, seatIdOf } from './seats';
import type { Counted, Progress, RunState } from './state';

/** A fastener and a stage that nothing in the record accounts for. */
export interface Uncovered {
  fastener: string;
  stage: string;
}

/**
 * Every fastener and stage that no pull that reached it, no finding at a take-over, no deviation
 * and no lead's approval covers, since that fastener was last slackened or replaced. Read from the
 * list of events, apart from the run's own books: a run is finished only when both agree.
 */
export function uncovered(state: RunState): Uncovered[] {
  const { sheet, progress: p } = state;
  const list = state.effective.toArray();
  return sheet.stages.flatMap((stage, index) => {
    if (!isByFastener(stage) || stage.action === 'swap') return [];
    return Object.values(p.seats).flatMap((seat) => {
      if (seat.leftOut || !isOn(sheet, index, seat.seat)) return [];
      const from = lostAt(list, p, seat.seat, stage);
      const life =
        isOwedByPosition(stage) || isBeforeSwap(sheet, index, seat.seat) ? null : seat.life;
      const fastener = fastenerId(seat.seat, seat.life);
      const isNamed = p.deviations.some(
        (d) =>
          d.fastener !== null &&
          seatIdOf(d.fastener) === seat.seat &&
          (life === null || d.fastener === fastener) &&
          d.stage === stage.id,
      );
      return isNamed || list.some((c, i) => i >= from && covers(sheet, c, stage, seat.seat, life))
        ? []
        : [{ fastener, stage: stage.id }];
    });
  });
}

/**
 * All before the sheet's own swap is owed by the position, not by the fastener that comes after.
 */
const isBeforeSwap = (sheet: Sheet, index: number, seat: string): boolean =>
  sheet.stages.some((s, i) => i > index && s.action === 'swap' && isOn(sheet, i, seat));

/**
 * Where in the list this stage was last taken back from this seat: slackened, replaced or gone back
 * over.
 */
function lostAt(list: readonly Counted[], after: Progress, seat: string, stage: Stage): number {
  const hasDone = (p: Progress | undefined): boolean => p?.seats[seat]?.done[stage.id] === true;
  for (let i = list.length - 1; i >= 0; i -= 1) {
    const entry = list[i];
    if (!entry) continue;
    const next = list[i + 1]?.before ?? after;
    if (hasDone(entry.before) && !hasDone(next)) return i;
    if (
      entry.event.type === 'restarted' &&
      entry.event.payload.fastener &&
      seatIdOf(entry.event.payload.fastener) === seat &&
      !hasDone(entry.before)
    )
      return i;
  }
  return 0;
}

function covers(
  sheet: Sheet,
  { event, before }: Counted,
  stage: Stage,
  seat: string,
  life: number | null,
): boolean {
  const isIt = (fastener: string): boolean =>
    seatIdOf(fastener) === seat && (life === null || fastener === fastenerId(seat, life));
  switch (event.type) {
    case 'pulled':
      return (
        event.payload.stage === stage.id &&
        isIt(event.payload.fastener) &&
        judgePull(sheet, before, event.payload).satisfied
      );
    case 'passConfirmed':
      return event.payload.stage === stage.id && event.payload.fasteners.some(isIt);
    case 'reconciled':
      return (
        event.payload.stage === stage.id &&
        event.payload.fasteners.some((f) => f.found === 'turned' && isIt(f.fastener))
      );
    case 'held':
      return (
        event.payload.decision === 'reallyDone' &&
        before.claims.some(
          (c) => c.event === event.payload.hold && c.stage === stage.id && isIt(c.fastener),
        )
      );
    default:
      return false;
  }
}
