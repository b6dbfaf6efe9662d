import type { Quantity } from '../quantity';
import type { PayloadOf } from './events';
import { judgePull, type Pull } from './judgePull';
import { progressBefore } from './evolve';
import type { Outcome, RunState } from './state';
import { CORE_VERSION } from './version';

type Said = Omit<Pull, 'verdict' | 'core'>;

/** A pull as it is entered: with how it lay to what was asked, and by which rules that was said. */
export const judgedPull = ({ sheet, progress }: RunState, said: Said): Pull => ({
  ...said,
  verdict: judgePull(sheet, progress, said).verdict,
  core: CORE_VERSION,
});

/** A correction of an earlier pull, judged by what the fastener had before that one. */
export function judgedCorrection(
  state: RunState,
  { id, reading: _old, ...was }: Pull & { id: string },
  outcome: Outcome,
  reading?: Quantity,
): PayloadOf<'corrected'> {
  const read = reading ? { reading } : {};
  const before = progressBefore(state, id);
  const { verdict } = judgePull(state.sheet, before, { ...was, outcome, ...read });
  return { event: id, outcome, verdict, ...read };
}
