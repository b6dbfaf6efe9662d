import { flexibilityOf, FLANGES } from '../bench';
import { angleJointOf, clampCurve, type ClampBolt } from '../clamp';
import type { Square } from '../interaction';
import {
  clampBoltOf,
  groupOf,
  tighteningOf,
  type Group,
  type Seat,
  type Sheet,
} from '../procedure';
import { frictionBands, hexHeadOf, threadOf } from '../thread';
import {
  drawFault,
  madeUpBolt,
  madeUpJoint,
  randomFrom,
  type DrawnPull,
  type MadeUpJoint,
  type TraceClass,
} from '../trace';
import { PracticeJoint, type Creep, type JointedBolt } from './practiceJoint';

/** What is wrong with a bolt, by its seat. */
export type Faults = Readonly<Record<string, TraceClass>>;

/** One bolt of a sheet as it behaves, and how it was drawn. */
export interface PracticeBolt {
  seat: string;
  made: MadeUpJoint;
  drawn: DrawnPull;
}

/** The joint of a sheet, made up from a seed. */
export interface SheetJoint {
  joint: PracticeJoint;
  /** Which place in the joint a seat has; a seat that no torque clamps has none. */
  at: ReadonlyMap<string, number>;
  bolt: (seat: string) => PracticeBolt | undefined;
  /** Another bolt in that hole. @param fault what is wrong with that one */
  replace: (seat: string, life: number, fault?: TraceClass) => void;
}

/** Where a sheet gives no grip length: so many diameters. */
const USUAL_GRIP = 2.5;
/** How far from touching a bolt stands that was run down by hand, degrees. */
const RUN_DOWN_DEG = 25;
/** Of the last torque, where an angle follows on nothing else. */
const SNUG_SHARE = 0.36;
/** What a gasket gives way by in the end. From engineering practice; no maker's figures. */
const CREEP: Record<NonNullable<Group['gasket']>, Creep> = {
  none: { share: 0, minutes: 1 },
  metal: { share: 0.02, minutes: 6 },
  soft: { share: 0.12, minutes: 6 },
};

/**
 * Every bolt of a sheet that a torque clamps, each with its own friction, stiffness and yield: the
 * friction band of its lubricant round the usual value, the flange as on the bench. The same seed
 * gives the same joint everywhere.
 */
export function sheetJoint(sheet: Sheet, seed: number, faults: Faults = {}): SheetJoint {
  const seats = sheet.seats.filter((s) => tighteningOf(sheet, groupOf(sheet, s)) !== null);
  const flexibility = flexibilityOfSeats(sheet, seats);
  const at = new Map(seats.map((s, i) => [s.id, i]));
  const bolts = new Map<string, PracticeBolt>();
  const draw = (i: number, life: number, fault: TraceClass): JointedBolt => {
    const seat = seats[i];
    if (!seat) throw new RangeError(`no seat ${i}`);
    const made = madeUpOf(sheet, groupOf(sheet, seat), flexibility.at[i * seats.length + i] ?? 0);
    const random = randomFrom(seed * 8191 + i * 127 + life * 17);
    const drawn = drawnFor(sheet, groupOf(sheet, seat), made, fault, random);
    bolts.set(seat.id, { seat: seat.id, made, drawn });
    return jointed(made, drawn);
  };
  const joint = new PracticeJoint(
    flexibility,
    seats.map((s, i) => draw(i, 1, faults[s.id] ?? 'ok')),
    creepOf(sheet, seats),
  );
  return {
    joint,
    at,
    bolt: (seat) => bolts.get(seat),
    replace: (seat, life, fault = 'ok') => {
      const i = at.get(seat);
      if (i !== undefined) joint.replace(i, draw(i, life, fault));
    },
  };
}

const gripOf = (group: Group): number =>
  group.gripLengthMm ?? USUAL_GRIP * threadOf(group.thread.designation, group.thread.pitchMm).dMm;
const boltOf = (group: Group): ClampBolt => clampBoltOf(group, gripOf(group));

function creepOf(sheet: Sheet, seats: readonly Seat[]): Creep {
  const [first] = seats;
  return CREEP[(first && groupOf(sheet, first).gasket) ?? 'none'];
}

/** How far the joint gives at each seat under 1 N at each other, mm/N. */
function flexibilityOfSeats(sheet: Sheet, seats: readonly Seat[]): Square {
  const labels = [...new Set(seats.map((s) => s.position))];
  const places = sheet.pattern.positions.filter((p) => labels.includes(p.label));
  const size = seats.length;
  const at = new Float64Array(size * size);
  const [first] = seats;
  if (!first || places.length < 2) return { size, at };
  const bolt = boltOf(groupOf(sheet, first));
  const { dMm } = threadOf(bolt.thread, bolt.pitchMm);
  const flange = FLANGES[dMm >= 9 && places.length >= 6 ? 2 : dMm >= 7 ? 1 : 0];
  const give = flexibilityOf({ places, flange, bolt });
  const place = seats.map((s) => places.findIndex((p) => p.label === s.position));
  // Two at one place, a stud and its nut, hold one another: neither takes load from the other.
  for (const [i, a] of place.entries())
    for (const [j, b] of place.entries())
      if (i === j || a !== b) at[i * size + j] = give.at[a * give.size + b] ?? 0;
  return { size, at };
}

/** A bolt of a group at a place that gives so much, mm/N. */
function madeUpOf(sheet: Sheet, group: Group, givesMmPerN: number): MadeUpJoint {
  const of = boltOf(group);
  const thread = threadOf(of.thread, of.pitchMm);
  const springs = springsOf(of, group.frictionCondition);
  const tightening = tighteningOf(sheet, group);
  const torqueNm = tightening?.torqueNm ?? 1;
  const angleDeg = tightening?.anglesDeg.reduce((a, b) => a + b, 0) ?? 0;
  const yieldN =
    1000 *
    clampCurve({ ...of, condition: group.frictionCondition, torqueNm: 1, angleDeg: 0 }).yieldKn;
  const clampRateNPerDeg = thread.pitchMm / 360 / (springs + givesMmPerN);
  return madeUpJoint({
    pitchMm: thread.pitchMm,
    pitchDiameterMm: thread.d2Mm,
    bearingDiameterMm: hexHeadOf(thread.dMm, of.bearingMm).meanMm,
    clampRateNPerDeg,
    yieldForceN: yieldN,
    snugNm: angleDeg > 0 ? torqueNm : SNUG_SHARE * torqueNm,
    torqueTargetNm: torqueNm,
    angleTargetDeg: angleDeg > 0 ? angleDeg : yieldN / clampRateNPerDeg,
  });
}

/** What bolt and parts in its own line give together, mm/N: as in core/clamp, without a gasket. */
function springsOf(bolt: ClampBolt, condition: Group['frictionCondition']): number {
  const { boltCompliance, partCompliance } = angleJointOf(
    { ...bolt, gasket: 'none' },
    1,
    frictionBands[condition].nominal,
  );
  return (boltCompliance + partCompliance) / 1000;
}

/** The friction of the simulated pulls is spread round 0.12: here round that of the lubricant. */
const DRAWN_MU = 0.12;

function drawnFor(
  sheet: Sheet,
  group: Group,
  made: MadeUpJoint,
  fault: TraceClass,
  random: ReturnType<typeof randomFrom>,
): DrawnPull {
  const isAngle = (tighteningOf(sheet, group)?.anglesDeg.length ?? 0) > 0;
  const drawn = drawFault(fault, made, isAngle ? 'torque_angle' : 'torque', random);
  const share = frictionBands[group.frictionCondition].nominal / DRAWN_MU;
  // One that bottoms before it seats can be felt by a beginner; the other kind needs a curve.
  const bottom = drawn.bottom ? { bottom: { ...drawn.bottom, beforeSeat: true } } : {};
  return {
    ...drawn,
    ...bottom,
    muThread: drawn.muThread * share,
    muHead: drawn.muHead * share,
  };
}

function jointed(made: MadeUpJoint, drawn: DrawnPull): JointedBolt {
  const curve = madeUpBolt(made, drawn);
  return {
    curve,
    startDeg: Math.min(
      drawn.contactDeg - RUN_DOWN_DEG,
      curve.bottomDeg - 5,
      drawn.crossed?.startDeg ?? Infinity,
    ),
    rateNPerDeg: made.clampRateNPerDeg * drawn.stiffnessRatio,
    pitchMm: made.pitchMm,
  };
}
