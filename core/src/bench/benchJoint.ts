import { angleJointOf, clampCurve, type ClampBolt, type GasketKind } from '../clamp';
import {
  flexibilityAtBolts,
  meshOf,
  type FlangeSection,
  type JointBolt,
  type Square,
} from '../interaction';
import { orderByRule, type Position } from '../joint';
import {
  clampBoltOf,
  groupOf,
  orderOf,
  seatsOf,
  tighteningOf,
  type Group,
  type Sheet,
} from '../procedure';
import { convert } from '../quantity';
import { frictionBands, hexHeadOf, threadOf, type FrictionCondition } from '../thread';

/** How stiff the part is that the bolts hold down. Made up, of the right order: see `FLANGES`. */
export const FLANGES = ['cover', 'manifold', 'head'] as const;
export type FlangeKind = (typeof FLANGES)[number];

const SECTIONS: Record<FlangeKind, { ei: number; gj: number; sealMm: number }> = {
  cover: { ei: 2.5e9, gj: 1e9, sealMm: 8 },
  manifold: { ei: 1e10, gj: 4e9, sealMm: 10 },
  head: { ei: 4e10, gj: 2e10, sealMm: 14 },
};
/** N/mm for each mm of sealing line. */
const PUSHES_BACK: Record<GasketKind, number> = { none: 6000, metal: 2500, soft: 250 };

/** A joint as the bench looks at it: its places, one kind of bolt, and how it is tightened. */
export interface BenchJoint {
  places: readonly Position[];
  bolt: ClampBolt;
  condition: FrictionCondition;
  flange: FlangeKind;
  /** Torques one after another, N·m; the last is the one that is compared. */
  torquesNm: readonly number[];
  /** After the last torque, degrees; one for each angle stage. */
  anglesDeg: readonly number[];
  /** As the sheet has it; null where there is no sheet. */
  published: readonly string[] | null;
}

const PARTS = 3;

export function flexibilityOf({
  places,
  flange,
  bolt,
}: Pick<BenchJoint, 'places' | 'flange' | 'bolt'>): Square {
  const { sealMm, ei, gj } = SECTIONS[flange];
  const section: FlangeSection = {
    ei,
    gj,
    foundation: PUSHES_BACK[bolt.gasket ?? 'none'],
    sealMm,
  };
  const points = places.map((p) => ({ x: p.xMm, y: p.yMm }));
  return flexibilityAtBolts(meshOf({ layout: 'points', points, parts: PARTS, section }));
}

/** The bolt as a spring: from the same model as its clamp load. */
export function jointBoltOf({ bolt, condition, anglesDeg }: BenchJoint): JointBolt {
  const { nominal } = frictionBands[condition];
  const thread = threadOf(bolt.thread, bolt.pitchMm);
  const springs = angleJointOf({ ...bolt, gasket: 'none' }, 1, nominal);
  const yieldKn = clampCurve({ ...bolt, condition, torqueNm: 1, angleDeg: 0 }).yieldKn;
  return {
    pitchMm: thread.pitchMm,
    pitchDiameterMm: thread.d2Mm,
    bearingDiameterMm: hexHeadOf(thread.dMm, bolt.bearingMm).meanMm,
    stiffness: 1000 / springs.boltCompliance,
    localStiffness: 1000 / springs.partCompliance,
    ...(anglesDeg.length > 0 ? { yieldN: yieldKn * 1000, hardening: 0.03 } : {}),
  };
}

/** Where a sheet gives no grip length: so many diameters. */
const USUAL_GRIP = 2.5;

/**
 * The bolts that a sheet has most of, as a joint for the bench; what the sheet does not say is as
 * it usually is.
 * @returns null where it gives these bolts no torque
 */
export function benchJointOf(sheet: Sheet): BenchJoint | null {
  const group = mostOf(sheet);
  const tightening = tighteningOf(sheet, group);
  if (!tightening) return null;
  const seats = sheet.seats.filter((s) => s.group === group.id);
  const labels = new Set(seats.map((s) => s.position));
  const thread = threadOf(group.thread.designation, group.thread.pitchMm);
  const [first] = sheet.stages.flatMap((stage, i) =>
    seatsOf(sheet, stage).some((s) => s.group === group.id) && stage.action !== 'handStart'
      ? [i]
      : [],
  );
  const order = orderOf(sheet, first ?? 0)
    .map((id) => sheet.seats.find((s) => s.id === id)?.position ?? '')
    .filter((label, i, all) => labels.has(label) && all.indexOf(label) === i);
  return {
    places: sheet.pattern.positions.filter((p) => labels.has(p.label)),
    bolt: clampBoltOf(group, group.gripLengthMm ?? USUAL_GRIP * thread.dMm),
    condition: group.frictionCondition,
    flange: thread.dMm >= 9 && labels.size >= 8 ? 'head' : thread.dMm >= 7 ? 'manifold' : 'cover',
    torquesNm: torquesOf(sheet, group, tightening.torqueNm),
    anglesDeg: tightening.anglesDeg,
    published: order.length === labels.size ? order : null,
  };
}

function mostOf(sheet: Sheet): Group {
  const counts = new Map<string, number>();
  for (const seat of sheet.seats) {
    const { id } = groupOf(sheet, seat);
    counts.set(id, (counts.get(id) ?? 0) + 1);
  }
  const able = sheet.groups.filter((g) => tighteningOf(sheet, g) !== null);
  const [most] = [...(able.length > 0 ? able : sheet.groups)].sort(
    (a, b) => (counts.get(b.id) ?? 0) - (counts.get(a.id) ?? 0),
  );
  if (!most) throw new RangeError('a sheet without bolts');
  return most;
}

/** Each torque on the way up to the last, in its order. */
function torquesOf(sheet: Sheet, group: Group, last: number): number[] {
  const all = sheet.stages.flatMap((stage) =>
    !stage.trial &&
    stage.action === 'torque' &&
    stage.target &&
    'value' in stage.target &&
    seatsOf(sheet, stage).some((s) => s.group === group.id)
      ? [convert(stage.target, 'N.m')]
      : [],
  );
  const rising = all.filter((t, i) => i === 0 || t > Math.max(...all.slice(0, i)));
  return rising.length > 0 && Math.abs((rising.at(-1) ?? 0) - last) < 1e-6 ? rising : [last];
}

/** Patterns to try where there is no sheet. */
export const EXAMPLES = ['twoRows', 'ring', 'row'] as const;
export type Example = (typeof EXAMPLES)[number];

/** Places of an example, labeled in the order that follows from where they lie. */
export function examplePlaces(example: Example, count: number, spacingMm: number): Position[] {
  const at = (i: number): { xMm: number; yMm: number } => {
    if (example === 'row') return { xMm: i * spacingMm, yMm: 0 };
    if (example === 'ring') {
      const radius = spacingMm / (2 * Math.sin(Math.PI / count));
      const angle = (2 * Math.PI * i) / count;
      return {
        xMm: Math.round(radius * Math.sin(angle) * 10) / 10,
        yMm: Math.round(radius * Math.cos(angle) * 10) / 10,
      };
    }
    const half = Math.ceil(count / 2);
    return { xMm: (i % half) * spacingMm, yMm: i < half ? spacingMm : 0 };
  };
  const raw = Array.from({ length: count }, (_, i) => ({ label: `p${i}`, ...at(i) }));
  const order = orderByRule(example === 'ring' ? 'ring' : 'centreOut', raw);
  return raw.map((p) => ({ ...p, label: String(order.indexOf(p.label) + 1) }));
}
