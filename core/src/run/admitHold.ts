import { AppError } from '../errors';
import { groupOfSeat } from '../procedure';
import { admitCondition } from './oneTimeUse';
import type { EventOf } from './events';
import type { Way } from './hold';
import { next } from './next';
import { type Next } from './due';
import { allSame, notNext, sameFastener } from './refuse';
import { isSpent, lifeOf, seatIdOf } from './seats';
import { LEADS_WORD } from './statement';
import type { AnyHold, RunState } from './state';

const WAY_OF_DECISION: Record<EventOf<'held'>['payload']['decision'], Way> = {
  passed: 'passed',
  failed: 'failed',
  pendingLead: 'pending',
  reallyDone: 'reallyDone',
  redone: 'redone',
  notDone: 'notDone',
  turnOn: 'turnOn',
};

export function admitHeld(event: EventOf<'held'>, due: Next): void {
  if (due.kind !== 'hold') throw notNext(due);
  const { hold, decision } = event.payload;
  const { hold: open } = due;
  const key = keyOf(open);
  if (hold !== key) throw notNext(due);
  if (open.kind === 'notCovered' && event.payload.fastener !== open.fastener) throw notNext(due);
  if (!due.ways.includes(WAY_OF_DECISION[decision]))
    throw decision === 'pendingLead' ? new AppError('PENDING_NOT_ALLOWED') : notNext(due);
}

/** What an answer to a hold names: the claim, the refused deviation, or the stage. */
function keyOf(open: AnyHold): string {
  if (open.kind === 'claim') return open.claim.event;
  if (open.kind === 'refused') return open.deviation.event;
  return 'stage' in open ? open.stage : '';
}

/** A new fastener: as the sheet's swap, or in place of one that is no longer good. */
export function admitSwap(state: RunState, event: EventOf<'swapped'>, due: Next): void {
  const isDue = due.kind === 'swap' || (due.kind === 'hold' && due.ways.includes('replace'));
  if (!isDue) throw notNext(due);
  sameFastener(event.payload.fastener, due.fastener ?? '');
  if (event.payload.replacement !== due.replacement)
    throw new AppError('REPLACEMENT_WRONG', { expected: due.replacement ?? '' });
  const { replacement, condition, lengthMm, resolutionMm } = event.payload;
  admitCondition(state, { fastener: replacement, condition, lengthMm, resolutionMm }, true);
}

export function admitRestart(state: RunState, event: EventOf<'restarted'>, due: Next): void {
  const { stage, fastener } = event.payload;
  if (due.kind !== 'hold' || (stage === undefined) === (fastener === undefined)) throw notNext(due);
  if (stage !== undefined) {
    if (!due.ways.includes('restart') || stage !== due.restart) throw notNext(due);
    return;
  }
  sameFastener(fastener ?? '', due.fastener ?? '');
  const seat = state.progress.seats[seatIdOf(fastener ?? '')];
  if (seat && isSpent(state.sheet, seat))
    throw new AppError('ONE_TIME_USE', { group: groupOfSeat(state.sheet, seat.seat).name });
  if (!due.ways.includes('redo')) throw notNext(due);
}

/**
 * A statement takes effect where it is about something open; only a lead's counts for what is the
 * lead's.
 */
export function admitUsed(state: RunState, event: EventOf<'used'>): void {
  const { statement } = event.payload;
  if (LEADS_WORD.includes(statement.kind) && statement.role !== 'lead')
    throw new AppError('NOT_LEAD');
  const isUsed = [...state.effective].some(
    (c) => c.event.type === 'used' && c.event.payload.statement.id === statement.id,
  );
  if (isUsed) throw new AppError('STATEMENT_USED');
  const due = next(state);
  if (due.kind === 'reconcile') throw notNext(due);
  if (statement.kind === 'leaveOut') {
    const seat = state.progress.seats[seatIdOf(statement.fastener)];
    if (
      !seat ||
      seat.leftOut ||
      seat.life !== lifeOf(statement.fastener) ||
      state.status === 'finished'
    )
      throw new AppError('STATEMENT_ABOUT_NOTHING');
  }
  if (
    statement.kind === 'release' &&
    !(due.kind === 'hold' && 'stage' in due.hold && due.hold.stage === statement.hold)
  )
    throw new AppError('STATEMENT_ABOUT_NOTHING');
  if (statement.kind === 'allowance' && 'deviation' in statement.about) {
    const { deviation } = statement.about;
    if (
      !state.progress.deviations.some(
        (d) => d.event === deviation && d.needsLead && d.decision === null,
      )
    )
      throw new AppError('STATEMENT_ABOUT_NOTHING');
  }
}

export function admitReconciled(event: EventOf<'reconciled'>, due: Next): void {
  if (due.kind !== 'reconcile') throw notNext(due);
  if (event.payload.stage !== due.stage.id)
    throw new AppError('WRONG_STAGE', { expected: due.stage.name });
  if (event.payload.pass !== due.pass)
    throw new AppError('WRONG_PASS', { expected: due.pass, got: event.payload.pass });
  allSame(
    event.payload.fasteners.map((f) => f.fastener),
    due.fasteners,
  );
}
