import { analyseTrace, type TraceFindings } from './analyseTrace';
import type { TraceClass } from './classes';
import { classifyTrace } from './classify';
import type { Curve } from './curve';
import { featuresOf } from './features';
import { median } from './numbers';
import { toolStiffness } from './toolStiffness';
import type { Trace, TraceJoint } from './trace';

/** A traced pull; `target` is the stage's torque in N·m, null where it is an angle. */
export interface TracedPull {
  id: string;
  trace: Trace;
  targetNm: number | null;
  /** How tight the fastener already was, N·m; left out: loose, or no one knows. */
  tightNm?: number | undefined;
  /** Fasteners of one kind in one stage: only these are compared. Left out: all are alike. */
  like?: string | undefined;
}

export interface LookedAt {
  id: string;
  /** Torque over the joint's own angle, ratchet and tool twist taken out. */
  curve: Curve;
  findings: TraceFindings;
  /** null: too little of it was heard to say anything. */
  look: Look | null;
}
export interface Look {
  is: TraceClass;
  why: string;
  mayBe: TraceClass[];
}

/** Where snug is taken to be, as a share of the stage's torque. Defined here. */
const SNUG_SHARE = 0.36;
/** It is heard on its way up where it begins below snug. */
const BEGINS_BELOW = 1;
/** Fewer neighbors say nothing of what is usual in this joint. */
const LEAST_NEIGHBOURS = 4;
/** Yield is found so much late: the slope must have fallen first. See features. */
/** Sound bolts of one box differ so much more than one bolt from its own nominal. */
const SCATTER = 0.96;
const YIELD_LATE = { angle: 1.057, torque: 1.04 };

/**
 * Looks at traced pulls together. How steep a sound joint is no one publishes: it is the middle of
 * what fasteners of the same kind show in the same stage, from four on; with fewer each is held
 * against itself, so that one that is dry or slippery is not seen. A wrench that does not say how
 * stiff it is shows it in its own back-swings. Derived here from `classifyTrace`; a hint to look
 * again, no verdict.
 */
export function lookAtPulls(pulls: readonly TracedPull[]): LookedAt[] {
  const spring = springs(pulls);
  const first = pulls.map((pull) => {
    const joint = jointFor(pull, spring(pull.trace));
    return { pull, joint, seen: analyseTrace(pull.trace, joint) };
  });
  const usual = usualOf(first);
  return first.map(({ pull, joint, seen: { findings, work } }) => {
    const known = { ...joint, gradientNmPerDeg: findings.elastic?.gradient ?? 0, ...usual(pull) };
    const canSay =
      findings.snug !== undefined && known.gradientNmPerDeg > 0 && hasBeginning(pull, joint);
    return {
      id: pull.id,
      curve: work.curve,
      findings,
      look: canSay ? classifyTrace(findings, featuresOf(findings, work, known), known) : null,
    };
  });
}

/** The last one, looked at beside those before it: what is said at the bolt. */
export function lookAtLast(pulls: readonly TracedPull[]): LookedAt | undefined {
  return lookAtPulls(pulls).at(-1);
}

/** How stiff each wrench is, as it says or as its back-swings show; null where neither does. */
function springs(pulls: readonly TracedPull[]): (trace: Trace) => number | null {
  const shown = new Map<string, number | null>();
  return ({ toolNmPerDeg, wrench }) => {
    if (toolNmPerDeg !== undefined) return toolNmPerDeg;
    const known = shown.get(wrench);
    if (known !== undefined) return known;
    const found = toolStiffness(pulls.map((p) => p.trace).filter((t) => t.wrench === wrench));
    shown.set(wrench, found);
    return found;
  };
}

interface Seen {
  pull: TracedPull;
  joint: TraceJoint & { isSpringKnown: boolean };
  seen: ReturnType<typeof analyseTrace>;
}

/** What is usual among those that are alike; nothing where they are too few. */
function usualOf(seen: readonly Seen[]): (pull: TracedPull) => Partial<TraceJoint> {
  return ({ like }) => {
    const alike = seen.filter((s) => s.pull.like === like && s.joint.isSpringKnown);
    const middle = (of: (f: TraceFindings) => number | undefined): number | undefined => {
      const values = alike.flatMap((s) => of(s.seen.findings) ?? []);
      return values.length >= LEAST_NEIGHBOURS ? median(values) : undefined;
    };
    const gradient = middle((f) => f.elastic?.gradient);
    const angle = middle((f) => f.yield?.fromZeroDeg);
    const torque = middle((f) => f.yield?.torqueNm);
    return {
      ...(gradient === undefined ? {} : { gradientNmPerDeg: gradient }),
      ...(angle === undefined || torque === undefined
        ? {}
        : {
            yieldAngleFromZeroDeg: (SCATTER * angle) / YIELD_LATE.angle,
            yieldTorqueNm: (SCATTER * torque) / YIELD_LATE.torque,
          }),
    };
  };
}

function jointFor({ trace, targetNm, tightNm }: TracedPull, spring: number | null): Seen['joint'] {
  const target = targetNm ?? Math.max(1, ...trace.torqueNm);
  const snugNm = tightNm ?? SNUG_SHARE * target;
  return {
    snugNm,
    gradientNmPerDeg: 1,
    toolStiffnessNmPerDeg: spring ?? Math.max(4, 0.11 * target),
    isSpringKnown: spring !== null,
    rundownLimitNm: 0.25 * snugNm + 1,
  };
}

/**
 * It was tight before, as the sheet says, or it begins well below snug: the fastener was run down
 * and is heard on its way up.
 */
function hasBeginning(
  { trace: { torqueNm }, targetNm, tightNm }: TracedPull,
  joint: TraceJoint,
): boolean {
  // As tight already as it shall be: it clicks, and there is no curve to judge.
  if (tightNm !== undefined && targetNm !== null && tightNm >= 0.9 * targetNm) return false;
  if (tightNm !== undefined || targetNm === null) return tightNm !== undefined;
  return median(torqueNm.slice(0, 3)) < BEGINS_BELOW * joint.snugNm;
}

/** Before it was snug there is only the run-down: so much of it is shown. */
const SHOWN_BEFORE_DEG = 20;

/**
 * The part of a curve that is worth showing, in degrees after snug; from where it began where it
 * was tight already. One curve lies over the other where each became snug.
 */
export function shownCurve({ curve, findings }: LookedAt): Curve & { fromSnug: boolean } {
  const zero = findings.snug?.atDeg ?? 0;
  const first = Math.max(
    0,
    curve.angleDeg.findIndex((a) => a >= zero - SHOWN_BEFORE_DEG),
  );
  const fromSnug = first > 0;
  const origin = fromSnug ? zero : (curve.angleDeg[0] ?? 0);
  return {
    fromSnug,
    angleDeg: curve.angleDeg.slice(first).map((a) => a - origin),
    torqueNm: curve.torqueNm.slice(first).map((t) => Math.max(0, t)),
  };
}
