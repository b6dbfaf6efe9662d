import type { Square } from './flexibility';

/** One kind of bolt in the joint. */
export interface JointBolt {
  pitchMm: number;
  pitchDiameterMm: number;
  bearingDiameterMm: number;
  /** N/mm. */
  stiffness: number;
  /** Of the part right under the head, N/mm. */
  localStiffness: number;
  /** N; left out: it never yields. */
  yieldN?: number;
  /** Tangent stiffness past yield over the elastic one. */
  hardening?: number;
}
/** Friction of each bolt. */
export interface BoltFriction {
  thread: readonly number[];
  head: readonly number[];
}

const TOL_F = 1e-6;
const TOL_G = 1e-12;

/**
 * mm of lever: T = F × lever, N·mm. P/2π + μ d2/(2 cos 30°) + μ Db/2. Source: VDI 2230 form.
 */
export const torqueLever = (bolt: JointBolt, thread: number, head: number): number =>
  bolt.pitchMm / (2 * Math.PI) +
  (thread * bolt.pitchDiameterMm) / (2 * Math.cos(Math.PI / 6)) +
  (head * bolt.bearingDiameterMm) / 2;

/** How far the joint gives at each bolt with all that lies in its own line, mm/N. */
export function complianceOf(flexibility: Square, bolt: JointBolt): Square {
  const { size } = flexibility;
  const at = Float64Array.from(flexibility.at);
  const own = 1 / bolt.stiffness + 1 / bolt.localStiffness;
  for (let i = 0; i < size; i += 1) at[i * size + i] = (at[i * size + i] ?? 0) + own;
  return { size, at };
}

/**
 * A joint whose bolts are pulled one after another; each pull slackens and tightens the others.
 * C F = u + g with F ≥ 0, g ≥ 0, F·g = 0 (u: how far each nut has gone, g: gap under a slack head).
 * The tableau is the principal pivot transform of C on the bolts in contact, so that a pull costs
 * O(n) and a head that comes off or on one rank-1 update. Linear but for contact and yield; no
 * creep of the gasket, no settling of faces. N, mm, degrees.
 */
export class BoltedJoint {
  private readonly n: number;
  private readonly m: Float64Array;
  private readonly isOn: Uint8Array;
  /** Force where it is in contact, else the gap. */
  private readonly v: Float64Array;
  private readonly yieldAt: Float64Array;
  private readonly lever: Float64Array;
  private readonly extra: number;
  /** Contacts that opened or closed so far. */
  pivots = 0;

  constructor(
    compliance: Square,
    private readonly bolt: JointBolt,
    friction: BoltFriction,
  ) {
    this.n = compliance.size;
    this.m = Float64Array.from(compliance.at);
    this.isOn = new Uint8Array(this.n);
    this.v = new Float64Array(this.n);
    this.yieldAt = new Float64Array(this.n).fill(bolt.yieldN ?? Infinity);
    this.lever = Float64Array.from({ length: this.n }, (_, i) =>
      torqueLever(bolt, friction.thread[i] ?? 0, friction.head[i] ?? 0),
    );
    this.extra = 1 / ((bolt.hardening ?? 1) * bolt.stiffness) - 1 / bolt.stiffness;
  }

  force(i: number): number {
    return this.isOn[i] ? (this.v[i] ?? 0) : 0;
  }

  forces(): number[] {
    return Array.from({ length: this.n }, (_, i) => this.force(i));
  }

  /**
   * @param breakaway times the torque that it has, below which it does not move
   * @returns degrees
   */
  pullTorque(i: number, torqueNm: number, breakaway = 1): number {
    const torque = torqueNm * 1000;
    const lever = this.lever[i] ?? 1;
    const goal = torque / lever;
    const has = this.force(i);
    if (torque < breakaway * lever * has * (1 - 1e-12) || goal <= has * (1 + 1e-9)) return 0;
    let advance = this.advance(i, goal, null);
    const yields = this.yieldAt[i] ?? Infinity;
    if (goal > yields) {
      advance += (goal - yields) * this.extra;
      this.yieldAt[i] = goal;
    }
    return this.degrees(advance);
  }

  /** @returns degrees turned, all of those asked for */
  pullAngle(i: number, degrees: number): number {
    const whole = (degrees * this.bolt.pitchMm) / 360;
    if (this.yieldAt[i] === Infinity) return this.degrees(this.advance(i, null, whole));
    let left = whole;
    while (left > TOL_G) {
      const force = this.force(i);
      const yields = this.yieldAt[i] ?? Infinity;
      if (!this.isOn[i]) left -= this.advance(i, null, Math.min(left, (this.v[i] ?? 0) + 1e-9));
      else if (force < yields - TOL_F) {
        const toYield = Math.max((yields - force) / this.own(i), 1e-9);
        left -= this.advance(i, null, Math.min(left, toYield));
      } else {
        const rise = (left * this.own(i)) / (1 + this.own(i) * this.extra);
        this.advance(i, null, rise / this.own(i));
        this.yieldAt[i] = this.force(i);
        left = 0;
      }
    }
    return this.degrees(whole);
  }

  private own = (i: number): number => this.m[i * this.n + i] ?? 0;
  private degrees = (mm: number): number => (mm * 360) / this.bolt.pitchMm;

  /** Turns one nut until its force or its way is reached. @returns how far it went, mm */
  private advance(i: number, goalN: number | null, goalMm: number | null): number {
    let done = 0;
    if (!this.isOn[i]) {
      const gap = this.v[i] ?? 0;
      const step = goalMm === null ? gap : Math.min(gap, goalMm);
      done += step;
      this.v[i] = gap - step;
      if (goalMm !== null && goalMm - done <= TOL_G) return done;
      this.pivot(i);
    }
    for (let events = 0; events < 20 * this.n + 20; events += 1) {
      const left = goalN === null ? (goalMm ?? 0) - done : (goalN - this.force(i)) / this.own(i);
      if (left <= 0) return done;
      const { step, event } = this.upToContact(i, left);
      for (let j = 0; j < this.n; j += 1)
        this.v[j] = (this.v[j] ?? 0) + (this.m[j * this.n + i] ?? 0) * step;
      done += step;
      if (event < 0) return done;
      this.pivot(event);
    }
    throw new RangeError('too many contacts');
  }

  /** How far one may go before another head comes off or on. */
  private upToContact(i: number, left: number): { step: number; event: number } {
    let [step, event] = [left, -1];
    for (let j = 0; j < this.n; j += 1) {
      if (j === i) continue;
      const rate = this.m[j * this.n + i] ?? 0;
      const now = this.v[j] ?? 0;
      const tolerance = this.isOn[j] ? TOL_F : TOL_G;
      if (rate * left < -tolerance && now + rate * step < -tolerance * 1e-3) {
        const until = Math.max(0, now / -rate);
        if (until < step) [step, event] = [until, j];
      }
    }
    return { step, event };
  }

  /** Takes one bolt into contact or out of it: O(n²). */
  private pivot(k: number): void {
    const { n, m } = this;
    const row = k * n;
    const d = m[row + k] ?? 1;
    for (let j = 0; j < n; j += 1) if (j !== k) m[row + j] = -(m[row + j] ?? 0) / d;
    m[row + k] = 1 / d;
    for (let i = 0; i < n; i += 1) {
      if (i === k) continue;
      const at = i * n;
      const f = m[at + k] ?? 0;
      if (f !== 0)
        for (let j = 0; j < n; j += 1)
          if (j !== k) m[at + j] = (m[at + j] ?? 0) + f * (m[row + j] ?? 0);
      m[at + k] = f / d;
    }
    this.isOn[k] = this.isOn[k] ? 0 : 1;
    this.v[k] = 0;
    this.pivots += 1;
  }
}
