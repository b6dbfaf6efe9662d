import { AppError } from '../errors';
import { errorsOf, type Sheet } from '../procedure';
import { explain, next, type Next, type RunState } from '../run';
import { Technician } from './technician';

/** One thing that the run asks for, with the state of the joint at that moment. */
export interface Asked {
  due: Next;
  state: RunState;
  words: string;
}

/** Why a rehearsal ends: `done`, or what stands in the way. */
export type Ended = { done: true } | { stopped: string };

/** A sheet asks for fewer; one that asks for more goes round for ever. */
const MOST = 4000;

/**
 * The run as it will be asked, one thing after the other, played through by a technician who does
 * as told: new fasteners, every answer the good one, settling bolts that move once. By the
 * machine's own `next`, so that what is seen here is what comes at the bolt.
 * @param instance the bank, cap or cylinder; the first one where none is named
 */
export function* rehearsal(sheet: Sheet, instance?: string): Generator<Asked, Ended> {
  const [error] = errorsOf(sheet);
  if (error) return { stopped: error.message };
  try {
    const technician = instance
      ? new Technician(sheet, undefined, { instance })
      : new Technician(sheet);
    for (let i = 0; i < MOST; i += 1) {
      const { state } = technician;
      const due = next(state);
      if (due.kind === 'done') return { done: true };
      if (due.kind !== 'start') yield { due, state, words: explain(sheet, due) };
      technician.step();
    }
    return { stopped: new AppError('INTERNAL').message };
  } catch (thrown) {
    if (thrown instanceof AppError) return { stopped: thrown.message };
    throw thrown;
  }
}
