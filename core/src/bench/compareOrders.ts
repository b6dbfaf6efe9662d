import {
  BoltedJoint,
  complianceOf,
  orderOutcome,
  torqueLever,
  type BoltFriction,
} from '../interaction';
import { medianOf } from '../measure';
import { frictionBands, lnSigma } from '../thread';
import { randomFrom } from '../trace';
import { flexibilityOf, jointBoltOf, type BenchJoint } from './benchJoint';

export interface TriedOrder {
  id: string;
  /** Labels of the places. */
  order: readonly string[];
}

export interface OrderCompared {
  id: string;
  /** Tightest less slackest over the mean, after one pass: the middle of all trials. */
  spreadOnce: number;
  /** The same once nothing turns any more; null where it never settled. */
  spreadSettled: number | null;
  /** Passes until then, that one included. */
  passes: number | null;
  /** How unevenly the joint closed at its worst moment, mm. */
  unevenMm: number;
  /** The place that was most often the slackest after one pass. */
  worst: string;
}

/** Friction of every bolt of one made-up joint: thread and head apart, by the condition's band. */
export function drawFriction(joint: BenchJoint, seed: number): BoltFriction {
  const { nominal, ...band } = frictionBands[joint.condition];
  const sigma = lnSigma({ nominal, ...band });
  const { normal } = randomFrom(seed);
  const pairs = joint.places.map(() => [
    nominal * Math.exp(sigma * normal()),
    nominal * Math.exp(sigma * normal()),
  ]);
  return { thread: pairs.map(([t]) => t ?? 0), head: pairs.map(([, h]) => h ?? 0) };
}

/**
 * Orders beside each other on so many joints that differ in their friction only. What order cannot
 * change stands beside them: the spread that friction alone gives.
 * @param onPart is told how far it is, 0 to 1
 */
export function compareOrders(
  joint: BenchJoint,
  orders: readonly TriedOrder[],
  trials: number,
  seed: number,
  onPart?: (share: number) => void,
): { orders: OrderCompared[]; frictionAlone: number } {
  const flexibility = flexibilityOf(joint);
  const { yieldN: _never, ...bolt } = jointBoltOf(joint);
  const torque = joint.torquesNm.at(-1) ?? 0;
  const frictions = Array.from({ length: trials }, (_, i) => drawFriction(joint, seed + i));
  const placeOf = new Map(joint.places.map((p, i) => [p.label, i]));
  let done = 0;
  const compared = orders.map(({ id, order }): OrderCompared => {
    const places = order.map((label) => placeOf.get(label) ?? 0);
    const outcomes = frictions.map((friction) => {
      done += 1;
      if (done % 20 === 0) onPart?.(done / (trials * orders.length));
      return orderOutcome(flexibility, bolt, friction, torque, places);
    });
    const settled = outcomes.flatMap((o) => (o.settled ? [widthOf(o.settled)] : []));
    const passes = outcomes.flatMap((o) => o.passesUntilSettled ?? []);
    return {
      id,
      spreadOnce: middle(outcomes.map((o) => widthOf(o.spread))),
      spreadSettled: settled.length === trials ? middle(settled) : null,
      passes: passes.length === trials ? Math.round(middle(passes)) : null,
      unevenMm: middle(outcomes.map((o) => o.unevenMm)),
      worst: joint.places[mostOften(outcomes.map((o) => o.worst))]?.label ?? '',
    };
  });
  const alone = frictions.map((f) => {
    const forces = f.thread.map((t, i) => (torque * 1000) / torqueLever(bolt, t, f.head[i] ?? 0));
    return (Math.max(...forces) - Math.min(...forces)) / meanOf(forces);
  });
  return { orders: compared, frictionAlone: middle(alone) };
}

/** One joint to be pulled by hand or by the screen. */
export const freshJoint = (joint: BenchJoint, seed: number): BoltedJoint => {
  const bolt = jointBoltOf(joint);
  return new BoltedJoint(complianceOf(flexibilityOf(joint), bolt), bolt, drawFriction(joint, seed));
};

const widthOf = ({ minN, maxN, meanN }: { minN: number; maxN: number; meanN: number }): number =>
  meanN === 0 ? 0 : (maxN - minN) / meanN;
const meanOf = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0) / of.length;

const middle = (of: readonly number[]): number => medianOf(of) ?? 0;

function mostOften(of: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const one of of) counts.set(one, (counts.get(one) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]?.[0] ?? 0;
}
