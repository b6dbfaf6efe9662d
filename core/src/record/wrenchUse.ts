import { convert, type Quantity } from '../quantity';
import type { RecordedPull } from './runRecord';

/** What one wrench did in one run: for the list of everything that was tightened with it. */
export interface WrenchUse {
  wrench: string;
  firstAt: string;
  lastAt: string;
  pulls: number;
  /**
   * Pulls with a reading, and how these lay against what was aimed at, on average: 1 is on the
   * value.
   */
  readings: number;
  ratio: number | null;
}

/**
 * Uses of each wrench in a run, by its id. What was taken back does not count.
 * What the bolt got is compared: with an adapter on, the scale says another torque.
 * @param pulls in any order; a target and a reading of unlike units are not compared
 */
export function wrenchUses(
  pulls: readonly Pick<
    RecordedPull,
    'wrenchId' | 'deviceTime' | 'undone' | 'reading' | 'onBolt' | 'target'
  >[],
): WrenchUse[] {
  const uses = new Map<string, { times: string[]; ratios: number[] }>();
  for (const { wrenchId: wrench, deviceTime, undone, onBolt, target } of pulls) {
    if (wrench === null || undone) continue;
    const use = uses.get(wrench) ?? { times: [], ratios: [] };
    uses.set(wrench, use);
    use.times.push(deviceTime);
    const ratio = ratioOf(onBolt, target);
    if (ratio !== null) use.ratios.push(ratio);
  }
  return [...uses].map(([wrench, { times, ratios }]) => {
    const sorted = times.sort();
    return {
      wrench,
      firstAt: sorted[0] ?? '',
      lastAt: sorted.at(-1) ?? '',
      pulls: times.length,
      readings: ratios.length,
      ratio: ratios.length > 0 ? ratios.reduce((a, b) => a + b, 0) / ratios.length : null,
    };
  });
}

function ratioOf(reading: Quantity | null, target: Quantity | null): number | null {
  if (!reading || !target || target.value === 0 || target.unit === 'deg' || reading.unit === 'deg')
    return null;
  return convert(reading, target.unit) / target.value;
}
