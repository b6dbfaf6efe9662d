import { AppError } from '../errors';
import { stageIndex } from '../procedure';
import { admitReading } from './admitPull';
import type { EventOf, RunEvent } from './events';
import { progressBefore } from './evolve';
import { tooMuchOf } from './judgePull';
import { lifeOf, seatIdOf, seatOf } from './seats';
import { askedBack } from './refuse';
import type { RunState } from './state';
import { taskOf } from './task';
import { undoable } from './undoable';

/**
 * Undo goes back one at a time; any earlier pull may be corrected: not turned, another reading, or
 * another fastener.
 */
export function admitBack(state: RunState, event: EventOf<'undone' | 'corrected'>): void {
  if (event.type === 'corrected') return admitCorrection(state, event);
  const last = undoable(state);
  if (!last) throw new AppError('UNDO_NOTHING');
  if (last.id !== event.payload.event) throw new AppError('UNDO_NOT_LAST');
}

function admitCorrection(state: RunState, event: EventOf<'corrected'>): void {
  const { payload } = event;
  const found = pullOf(state, payload.event);
  if (!found) throw new AppError('CORRECT_NOT_A_PULL');
  if (payload.outcome === 'notTurned') return;
  const before = progressBefore(state, found.id);
  const index = stageIndex(state.sheet, found.payload.stage);
  const task = taskOf(state.sheet, before, index, seatOf(before, found.payload.fastener).parts);
  admitReading(payload.reading, task);
  const asCorrected = {
    ...found.payload,
    reading: payload.reading,
    stripeDeg: undefined,
    fastener: payload.fastener ?? found.payload.fastener,
  };
  const much =
    payload.reading && !payload.sure ? tooMuchOf(state.sheet, before, asCorrected) : null;
  if (much) throw askedBack(much);
  const allowed: Record<string, readonly string[]> = {
    torque: ['clicked', 'turned', 'heldStill', 'stoppedShort'],
    check: ['heldStill', 'turned', 'clicked', 'noClick'],
    angle: ['reached', 'stoppedShort'],
    stretch: ['reached', 'stoppedShort'],
  };
  if (!(allowed[task.action] ?? ['done']).includes(payload.outcome))
    throw new AppError('WRONG_OUTCOME', { got: payload.outcome });
  if (payload.fastener === undefined) return;
  const other = before.seats[seatIdOf(payload.fastener)];
  if (!other || other.life !== lifeOf(payload.fastener))
    throw new AppError('FASTENER_NOT_THERE', { fastener: payload.fastener });
  if (task.part)
    throw new AppError('WRONG_FASTENER', {
      expected: found.payload.fastener,
      got: payload.fastener,
    });
}

function pullOf(state: RunState, id: string): EventOf<'pulled'> | undefined {
  const at = state.effective.lastIndex((c) => c.event.id === id);
  const event: RunEvent | undefined = state.effective.at(
    at < 0 ? state.effective.length : at,
  )?.event;
  return event?.type === 'pulled' ? event : undefined;
}
