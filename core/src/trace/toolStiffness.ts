import { median } from './numbers';
import type { Samples } from './trace';

/** So much of what it held is taken: neither where it still holds nor where it rattles. */
const HIGH = 0.9;
const LOW = 0.15;
/** Fewer degrees of unwinding say nothing against the angle's own noise. */
const LEAST_DEG = 1.5;
/** Each of them alone is off by the noise; from two on the middle one counts. */
const LEAST_RELEASES = 2;

/**
 * How stiff the wrench with its extension is, from its own back-swings: let go, it unwinds while
 * the fastener stands still, and torque over angle is its spring. N·m for each degree. Defined
 * here.
 * @returns null where the pulls show too few releases to say
 */
export function toolStiffness(pulls: readonly Samples[]): number | null {
  const found = pulls.flatMap(releases);
  return found.length >= LEAST_RELEASES ? median(found) : null;
}

function releases({ torqueNm, angleDeg }: Samples): number[] {
  const top = Math.max(...torqueNm);
  const slopes: number[] = [];
  for (let i = 1; i < angleDeg.length; i += 1) {
    let end = i;
    while (end < angleDeg.length && (angleDeg[end] ?? 0) < (angleDeg[end - 1] ?? 0)) end += 1;
    if (end > i) slopes.push(...slopeOf(torqueNm, angleDeg, i - 1, end, top));
    i = Math.max(i, end);
  }
  return slopes;
}

/** One slope, of the part of a back-swing in which the spring is what falls. */
function slopeOf(
  torque: readonly number[],
  angle: readonly number[],
  from: number,
  to: number,
  top: number,
): number[] {
  const held = torque[from] ?? 0;
  if (held < 0.25 * top) return [];
  const part: number[] = [];
  for (let i = from; i < to; i += 1) {
    const t = torque[i] ?? 0;
    if (t > HIGH * held) continue;
    if (t < LOW * held) break;
    part.push(i);
  }
  const [first, last] = [part[0], part.at(-1)];
  if (first === undefined || last === undefined) return [];
  const deg = (angle[first] ?? 0) - (angle[last] ?? 0);
  const nm = (torque[first] ?? 0) - (torque[last] ?? 0);
  return deg >= LEAST_DEG && nm > 0 ? [nm / deg] : [];
}
