import { AppError } from '../errors';
import { boltLength } from '../measure/gauges';
import { groupOfSeat, type Group } from '../procedure';
import { seatIdOf } from './seats';
import type { FittedCondition, RunState } from './state';

/** Reuse by the policy of the group; against it only what the lead allowed in writing. */
export function admitCondition(
  state: RunState,
  f: {
    fastener: string;
    condition: FittedCondition;
    lengthMm?: number | undefined;
    resolutionMm?: number | undefined;
  },
  newOnly: boolean,
): void {
  if (f.condition === 'new') return;
  const group = groupOfSeat(state.sheet, seatIdOf(f.fastener));
  if (newOnly && group.reuse === 'replace' && !state.progress.allowed[`reuse:${group.id}`])
    throw new AppError('ONE_TIME_USE', { group: group.name });
  if (group.reuse === 'reuse-in-place' && f.condition === 'other')
    throw new AppError('OWN_HOLE_ONLY', { fastener: f.fastener });
  if (group.reuse !== 'reuse-if-within-length') return;
  if (f.lengthMm === undefined) throw new AppError('LENGTH_NEEDED', { fastener: f.fastener });
  if (group.maxLengthMm !== undefined)
    admitLength(group, group.maxLengthMm, { ...f, lengthMm: f.lengthMm });
}

/** A caliper, where no one says what it was measured with. */
const CALIPER_MM = 0.05;
/**
 * Shorter or longer than this share of the nominal length it is another bolt, or a slip of the
 * finger.
 */
const OTHER_BOLT = 0.02;

/**
 * By the maker's limit, with how fine the instrument reads: what is too close to call does not go
 * in again.
 */
function admitLength(
  group: Group,
  maxMm: number,
  {
    fastener,
    lengthMm,
    resolutionMm = CALIPER_MM,
  }: { fastener: string; lengthMm: number; resolutionMm?: number | undefined },
): void {
  const newMm = group.lengthMm ?? maxMm * (1 - OTHER_BOLT);
  if (lengthMm < newMm * (1 - OTHER_BOLT) || lengthMm > maxMm * (1 + OTHER_BOLT))
    throw new AppError('LENGTH_IMPLAUSIBLE', { fastener, length: lengthMm, usual: newMm });
  if (group.lengthMm === undefined) {
    if (lengthMm > maxMm)
      throw new AppError('TOO_LONG', { fastener, length: lengthMm, most: maxMm });
    if (lengthMm + resolutionMm > maxMm)
      throw new AppError('LENGTH_TOO_CLOSE', { fastener, most: maxMm, resolution: resolutionMm });
    return;
  }
  const { verdict } = boltLength(lengthMm, newMm, maxMm, resolutionMm, false);
  if (verdict === 'wrong_part')
    throw new AppError('LENGTH_IMPLAUSIBLE', { fastener, length: lengthMm, usual: newMm });
  if (verdict === 'replace')
    throw new AppError('TOO_LONG', { fastener, length: lengthMm, most: maxMm });
  if (verdict !== 'reuse')
    throw new AppError('LENGTH_TOO_CLOSE', { fastener, most: maxMm, resolution: resolutionMm });
}
