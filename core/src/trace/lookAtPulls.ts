import { analyseTrace, type TraceFindings } from './analyseTrace';
import { classifyTrace, type TraceClass } from './classify';
import type { Curve } from './curve';
import { featuresOf } from './features';
import { median } from './numbers';
import type { Trace, TraceJoint } from './trace';

/** A traced pull of one stage; `target` is the stage's torque in N·m, null where it is an angle. */
export interface TracedPull {
  id: string;
  trace: Trace;
  targetNm: number | null;
}

export interface LookedAt {
  id: string;
  /** Torque over the joint's own angle, ratchet and tool twist taken out. */
  curve: Curve;
  findings: TraceFindings;
  /** null: it does not begin loose or never got snug, so that the rules have nothing to go by. */
  look: { is: TraceClass; why: string; mayBe: TraceClass[] } | null;
}

/** Where snug is taken to be, as a share of the stage's torque. Defined here. */
const SNUG_SHARE = 0.36;
/** Fewer neighbors say nothing of what is usual in this joint. */
const LEAST_NEIGHBOURS = 4;

/**
 * Looks at the traced pulls of one stage together. How steep a sound joint is no one publishes: it
 * is the middle of what its neighbors show, from four on; with fewer each is held against itself,
 * so that one that is dry or slippery as a whole is not seen. Reused bolts are not looked for here.
 * Derived here from `classifyTrace`; a hint to look again, no verdict.
 */
export function lookAtPulls(pulls: readonly TracedPull[]): LookedAt[] {
  const first = pulls.map((pull) => ({
    pull,
    joint: jointFor(pull),
    seen: analyseTrace(pull.trace, jointFor(pull)),
  }));
  const slopes = first.flatMap(({ seen }) =>
    seen.findings.elastic ? [seen.findings.elastic.gradient] : [],
  );
  const usual = slopes.length >= LEAST_NEIGHBOURS ? median(slopes) : null;
  return first.map(({ pull, joint, seen: { findings, work } }) => {
    const gradient = usual ?? findings.elastic?.gradient ?? 0;
    const canSay =
      pull.targetNm !== null &&
      findings.snug !== undefined &&
      gradient > 0 &&
      beginsLoose(pull.trace, joint);
    const known = { ...joint, gradientNmPerDeg: gradient };
    return {
      id: pull.id,
      curve: work.curve,
      findings,
      look: canSay ? classifyTrace(findings, featuresOf(findings, work, known), known) : null,
    };
  });
}

function jointFor({ trace, targetNm }: TracedPull): TraceJoint {
  const target = targetNm ?? Math.max(1, ...trace.torqueNm);
  const snugNm = SNUG_SHARE * target;
  return {
    snugNm,
    gradientNmPerDeg: 1,
    toolStiffnessNmPerDeg: trace.toolNmPerDeg ?? Math.max(4, 0.11 * target),
    rundownLimitNm: 0.25 * snugNm + 1,
  };
}

/**
 * Half a second or a twentieth of it without load at the beginning: the fastener was run down, not
 * only pulled further.
 */
const beginsLoose = ({ torqueNm }: Trace, { rundownLimitNm }: TraceJoint): boolean =>
  median(torqueNm.slice(0, Math.max(3, Math.min(50, Math.floor(torqueNm.length / 20))))) <
  rundownLimitNm;

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
