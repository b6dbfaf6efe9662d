import {
  angleJointOf,
  angleState,
  clampSummary,
  type ClampBolt,
  type ClampSummary,
} from '../clamp';
import { clampBoltOf, groupOfSeat } from '../procedure';
import { convert, units, type Quantity } from '../quantity';
import { boltLabel, type RecordedFastener, type RunRecord } from '../record';
import { frictionBands, threadOf } from '../thread';

export interface BoltClamp {
  bolt: string;
  /** Over the friction range of its lubricant, kN. */
  lowKn: number;
  nominalKn: number;
  highKn: number;
  /** A tool read it; else it is what was aimed at. */
  isRead: boolean;
}
export interface RecordClamp {
  bolts: BoltClamp[];
  /** Of the nominal loads. */
  summary: ClampSummary;
  /** How far the friction range moves all of them together: each side, of the mean. */
  byFriction: { less: number; more: number };
  read: number;
}

/** Where a sheet gives no grip length: so many diameters. */
const USUAL_GRIP = 2.5;

/**
 * What can be said of the clamp loads of a joint from what was read: torque and angle of each bolt
 * through the friction range of its lubricant. What nobody measured stays unknown: the friction of
 * each bolt, settling, and what neighbors took.
 * @returns null where no bolt has a torque
 */
export function clampOfRecord(record: RunRecord): RecordClamp | null {
  const bolts = record.fasteners.flatMap((f) => (f.replaced ? [] : (clampOfBolt(record, f) ?? [])));
  const summary = clampSummary(bolts.map((b) => b.nominalKn));
  if (!summary) return null;
  const mean = (of: (b: BoltClamp) => number): number =>
    bolts.reduce((sum, b) => sum + of(b), 0) / bolts.length;
  return {
    bolts,
    summary,
    byFriction: {
      less: 1 - mean((b) => b.lowKn) / summary.meanKn,
      more: mean((b) => b.highKn) / summary.meanKn - 1,
    },
    read: bolts.filter((b) => b.isRead).length,
  };
}

function clampOfBolt({ sheet }: RunRecord, fastener: RecordedFastener): BoltClamp | null {
  const group = groupOfSeat(sheet, fastener.seat);
  const { torqueNm, angleDeg, isRead } = lastTightening(fastener);
  if (torqueNm <= 0) return null;
  const thread = threadOf(group.thread.designation, group.thread.pitchMm);
  const of = clampBoltOf(group, group.gripLengthMm ?? USUAL_GRIP * thread.dMm);
  const band = frictionBands[group.frictionCondition];
  const at = (mu: number): number => preloadAt(of, torqueNm, angleDeg, mu);
  return {
    bolt: boltLabel(fastener.fastener),
    lowKn: at(band.high),
    nominalKn: at(band.nominal),
    highKn: at(band.low),
    isRead,
  };
}

const preloadAt = (of: ClampBolt, torqueNm: number, angleDeg: number, mu: number): number =>
  angleState(angleJointOf(of, torqueNm, mu), angleDeg).preloadKn;

/** The last torque that counts, and all that was turned after it. */
function lastTightening({ pulls }: RecordedFastener): {
  torqueNm: number;
  angleDeg: number;
  isRead: boolean;
} {
  let [torqueNm, angleDeg, isRead] = [0, 0, false];
  for (const pull of pulls) {
    if (pull.undone) continue;
    const got: Quantity | null = pull.onBolt ?? pull.target;
    if (!got) continue;
    if (units[got.unit].kind === 'torque') {
      // A nut never backs off by itself: a lower one after it does not count.
      if (convert(got, 'N.m') < torqueNm) continue;
      [torqueNm, angleDeg, isRead] = [convert(got, 'N.m'), 0, pull.onBolt !== null];
    } else if (got.unit === 'deg') {
      angleDeg += got.value;
      isRead ||= pull.onBolt !== null;
    }
  }
  return { torqueNm, angleDeg, isRead };
}
