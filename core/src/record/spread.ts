import { robustZ } from '../measure';
import type { Stage } from '../procedure';
import { convert, type UnitCode } from '../quantity';
import { pullsIn, type RunRecord } from './runRecord';
import { boltLabel } from './words';

/** The measured values of one stage beside each other. */
export interface Spread {
  stage: Stage;
  values: { bolt: string; value: number }[];
  /** Those that stand out: to be looked at again, no verdict. */
  odd: string[];
  median: number | null;
  low: number;
  high: number;
  unit: UnitCode;
}

/** Fewer cannot be told apart from chance. */
const LEAST = 6;

/**
 * How far the readings of each stage lie apart; only what a tool measured, from six on. Source:
 * robustZ.
 */
export function spreadsOf(record: RunRecord): Spread[] {
  return record.stages.flatMap((stage) => {
    const read = record.fasteners.flatMap((f) => {
      const last = pullsIn(f, stage).at(-1);
      return f.replaced || !last?.onBolt
        ? []
        : [{ bolt: boltLabel(f.fastener), reading: last.onBolt }];
    });
    const unit = read[0]?.reading.unit;
    if (!unit || read.length < LEAST) return [];
    const values = read.map((r) => ({ bolt: r.bolt, value: convert(r.reading, unit) }));
    const numbers = values.map((v) => v.value);
    const { flags, median } = robustZ(numbers);
    const odd = values.flatMap((v, i) => (flags?.[i] && flags[i] !== 'ok' ? [v.bolt] : []));
    return [
      { stage, values, odd, median, low: Math.min(...numbers), high: Math.max(...numbers), unit },
    ];
  });
}
