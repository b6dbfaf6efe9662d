import { AppError, type ErrorCode } from '../errors';
import { next, type Method, type Next, type PullNext, type RunState } from '../run';

/** The code that something is refused with; being let in is an error. */
export function refusal(act: () => unknown): ErrorCode {
  try {
    act();
  } catch (error) {
    if (error instanceof AppError) return error.code;
    throw error;
  }
  throw new Error('it was let in');
}

/** The pull that is due; anything else is an error. */
export function pullDue(state: RunState): PullNext {
  const due = next(state);
  if (due.kind !== 'pull') throw new Error(`a pull was expected, not ${due.kind}`);
  return due;
}

/** The hold that is open; anything else is an error. */
export function holdDue(state: RunState): Extract<Next, { kind: 'hold' }> {
  const due = next(state);
  if (due.kind !== 'hold') throw new Error(`a hold was expected, not ${due.kind}`);
  return due;
}

/** The methods that may be chosen now; anything else than a choice is an error. */
export function methodsDue(state: RunState): readonly Method[] {
  const due = next(state);
  if (due.kind !== 'chooseTool') throw new Error(`a tool was expected, not ${due.kind}`);
  return due.methods;
}

/** For `until`: the first pull of a stage. */
export const atStage =
  (id: string) =>
  (due: Next): boolean =>
    due.kind === 'pull' && due.stage.id === id;
