import { AppError } from '../errors';
import { groupOfSeat } from '../procedure';
import { seatIdOf } from './seats';
import type { FittedCondition, RunState } from './state';

/** Reuse by the policy of the group; against it only what the lead allowed in writing. */
export function admitCondition(state: RunState, f: { fastener: string; condition: FittedCondition; lengthMm?: number | undefined }, newOnly: boolean): void {
  if (f.condition === 'new') return;
  const group = groupOfSeat(state.sheet, seatIdOf(f.fastener));
  if (newOnly && group.reuse === 'replace' && !state.progress.allowed[`reuse:${group.id}`]) throw new AppError('ONE_TIME_USE', { group: group.name });
  if (group.reuse === 'reuse-in-place' && f.condition === 'other') throw new AppError('OWN_HOLE_ONLY', { fastener: f.fastener });
  if (group.reuse !== 'reuse-if-within-length') return;
  if (f.lengthMm === undefined) throw new AppError('LENGTH_NEEDED', { fastener: f.fastener });
  if (group.maxLengthMm !== undefined && f.lengthMm > group.maxLengthMm) throw new AppError('TOO_LONG', { fastener: f.fastener, length: f.lengthMm, most: group.maxLengthMm });
}
