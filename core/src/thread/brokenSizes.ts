import { threadOf, type Thread } from './thread';

/**
 * Drills for what is left of a broken fastener, in mm, each to be stopped before it meets what lies
 * behind the hole.
 */
export interface BrokenSizes {
  /** Through the guide, in the middle. */
  centreMm: number;
  /** For the extractor: leaves a wall that does not spread into the thread. */
  extractorMm: number;
  /** Larger ones touch the thread in the part. */
  largestMm: number;
  /** For cutting the same thread again. */
  tapDrillMm: number;
  /** The next larger thread of its kind, with its tap drill; null where there is none. */
  next: { designation: string; tapDrillMm: number } | null;
  /** How deep the fastener sits in the part, where its lengths are known: no drill goes deeper. */
  stopMm: number | null;
}

const NEXT_METRIC = [5, 6, 8, 10, 12, 14, 16, 18, 20];
const tenth = (mm: number): number => Math.round(mm * 10) / 10;
const tenthBelow = (mm: number): number => Math.floor(mm * 10 + 1e-9) / 10;

/**
 * Sizes for the ladder after a fastener broke: 0.3 d through a guide, at most 0.6 d for an
 * extractor, never up to the minor diameter d1 of the thread; tap drill d − P. Source: engineering
 * practice.
 * @param lengthMm under the head, gripMm what is clamped: what is left over sits in the part
 * @example brokenSizes(threadOf('M8')) // center 2.4, extractor 4.8, largest 6.4, tap drill 6.8,
 * next M10
 */
export function brokenSizes(thread: Thread, lengthMm?: number, gripMm?: number): BrokenSizes {
  const next = thread.system === 'metric' ? NEXT_METRIC.find((d) => d > thread.dMm) : undefined;
  const larger = next === undefined ? null : threadOf(`M${next}`);
  const depth = lengthMm !== undefined && gripMm !== undefined ? lengthMm - gripMm : NaN;
  return {
    centreMm: tenth(0.3 * thread.dMm),
    extractorMm: tenthBelow(0.6 * thread.dMm),
    largestMm: tenthBelow(thread.d1Mm - 0.2),
    tapDrillMm: tenth(thread.dMm - thread.pitchMm),
    next: larger && { designation: larger.name, tapDrillMm: tenth(larger.dMm - larger.pitchMm) },
    stopMm: depth > 0 ? tenthBelow(depth) : null,
  };
}
