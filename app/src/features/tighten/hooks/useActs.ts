import { useState } from 'react';
import type { AppError } from '@stennet/core/errors';
import {
  judgedCorrection,
  judgedPull,
  type EventType,
  type FailureKind,
  type Outcome,
  type PayloadOf,
  type PullNext,
  type RunState,
} from '@stennet/core/run';
import type { Quantity } from '@stennet/core/quantity';
import { asAppError } from '@/data';
import type { Confirm } from '@/data/runs';

/** Everything a panel can do with the run; each is one confirmation, and one event. */
export interface Acts {
  run: string;
  error: AppError | null;
  /**
   * A confirmation that came after its clock had ended: which clock, and the same again with the
   * time it was really done.
   */
  late: { clock: string; again: (doneAt: string) => Promise<boolean> } | null;
  /**
   * The same again, confirmed as what the wrench really showed; null where nothing was asked back.
   */
  sure: (() => Promise<boolean>) | null;
  /** What was asked back is let go. */
  forget: () => void;
  confirm: <T extends EventType>(type: T, payload: PayloadOf<T>) => Promise<boolean>;
  pull: (due: PullNext, outcome: Outcome, extra?: PullExtra) => Promise<boolean>;
  fail: (fastener: string, kind: FailureKind, note?: string) => Promise<boolean>;
  correct: (
    event: PayloadOf<'pulled'> & { id: string },
    outcome: Outcome,
    reading?: Quantity,
  ) => Promise<boolean>;
}

/** What may be said with a pull beside how it ended. */
export interface PullExtra {
  reading?: Quantity;
  looked?: true;
  fastener?: string;
  insteadOf?: string;
  again?: true;
  trace?: string;
  curve?: PayloadOf<'pulled'>['curve'];
  method?: 'stripe';
  stripeDeg?: number;
}

export function useActs(run: string, state: RunState, confirmEvent: Confirm): Acts {
  const [problem, setProblem] = useState<{
    step: number;
    error: AppError;
    again: (doneAt: string) => Promise<boolean>;
    sure: () => Promise<boolean>;
  } | null>(null);
  const step = state.events.length;

  const confirm: Acts['confirm'] = async (type, payload) => {
    try {
      if (!(await confirmEvent(type, payload))) return false;
      setProblem(null);
      return true;
    } catch (error) {
      const again = (doneAt: string): Promise<boolean> => confirm(type, { ...payload, doneAt });
      const sure = (): Promise<boolean> => confirm(type, { ...payload, sure: true });
      const refused = asAppError(error);
      // Said of what stands there by now; else of what was due.
      const at = Number(refused.params.entries ?? step);
      setProblem({ step: at, error: refused, again, sure });
      return false;
    }
  };
  const standing = problem?.step === step ? problem : null;
  const isLate = standing?.error.code === 'CLOCK_PASSED';
  const isTooMuch = standing?.error.code === 'READING_TOO_MUCH';
  return {
    run,
    error: standing && !isLate ? standing.error : null,
    late:
      standing && isLate
        ? { clock: String(standing.error.params.clock), again: standing.again }
        : null,
    sure: standing && isTooMuch ? standing.sure : null,
    forget: () => setProblem(null),
    confirm,
    pull: (due, outcome, extra = {}) =>
      confirm(
        'pulled',
        judgedPull(state, {
          fastener: due.fastener,
          stage: due.stage.id,
          pass: due.pass,
          outcome,
          method: due.tool.method,
          ...(due.task.part ? { part: due.task.part.id } : {}),
          ...(due.tool.wrench && extra.method !== 'stripe' ? { wrench: due.tool.wrench.id } : {}),
          ...extra,
        }),
      ),
    fail: (fastener, kind, note) =>
      confirm('failed', { fastener, kind, ...(note ? { note } : {}) }),
    correct: (pull, outcome, reading) =>
      confirm('corrected', judgedCorrection(state, pull, outcome, reading)),
  };
}
