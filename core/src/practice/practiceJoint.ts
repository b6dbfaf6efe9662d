import type { Square } from '../interaction';

/** How one bolt answers as its nut is turned: `madeUpBolt` has this form. */
export interface BoltCurve {
  /** Clamp force in N at a nut angle in degrees. */
  heldN: (nutDeg: number) => number;
  /** Torque in N·m that holds against the wrench. */
  resistNm: (nutDeg: number, advanceDeg: number) => number;
  press: (nutDeg: number, advanceDeg: number, stepS: number) => void;
  torqueNmPerN: number;
}

/** One bolt in a practice joint. */
export interface JointedBolt {
  curve: BoltCurve;
  /** Where its nut stands after it was run down by hand, degrees. */
  startDeg: number;
  /** Of its elastic part, N for each degree of its nut. */
  rateNPerDeg: number;
  pitchMm: number;
}

/**
 * A gasket gives way under load, quickly at first: the share of a clamp load it takes in the end.
 */
export interface Creep {
  share: number;
  /** In so many minutes it has done 63% of that. */
  minutes: number;
}

const NO_CREEP: Creep = { share: 0, minutes: 1 };
const SETTLED_N = 1e-6;
const MOST_ROUNDS = 200;
/** The others are asked again after so much of a turn. */
const ASK_AGAIN_DEG = 1;

/**
 * A joint whose bolts are turned one after another, each along its own curve. What the others press
 * out of the parts takes turn from it: F_k = f_k(u_k − Σ c_kj F_j), j ≠ k, in degrees of its nut.
 * Below what it has had, a bolt is elastic: one that has yielded is not made whole by slackening.
 * Linear curves give the joint of core/interaction. Derived for this project. N, degrees, minutes.
 */
export class PracticeJoint {
  private readonly nut: Float64Array;
  private readonly byOthers: Float64Array;
  private readonly crept: Float64Array;
  /** The farthest that each has been, and what it held there. */
  private readonly most: Float64Array;
  private readonly mostN: Float64Array;
  private readonly forces: Float64Array;
  private readonly bolts: JointedBolt[];
  private turnedSince = 0;

  /** @param flexibility how far the joint gives at one bolt under 1 N at another, mm/N */
  constructor(
    private readonly flexibility: Square,
    bolts: readonly JointedBolt[],
    private readonly creep: Creep = NO_CREEP,
  ) {
    this.bolts = [...bolts];
    const zeros = (): Float64Array => new Float64Array(bolts.length);
    [this.nut, this.byOthers, this.crept, this.most, this.mostN, this.forces] = [
      Float64Array.from(bolts, (b) => b.startDeg),
      zeros(),
      zeros(),
      zeros().fill(-Infinity),
      zeros(),
      zeros(),
    ];
  }

  /** Clamp force on one bolt, N. */
  clampN = (i: number): number => this.forces[i] ?? 0;
  clamps = (): number[] => [...this.forces];
  nutDeg = (i: number): number => this.nut[i] ?? 0;

  /** What holds against a wrench that would turn this nut so much further, N·m. */
  resistNm(i: number, advanceDeg: number): number {
    const { curve } = this.bolt(i);
    const at = this.at(i) + advanceDeg;
    const lost = curve.heldN(at) - this.forceAt(i, at);
    return curve.resistNm(at, advanceDeg) - lost * curve.torqueNmPerN;
  }

  /** Turns one nut. @param stepS how long that takes */
  turn(i: number, deg: number, stepS = 0.01): void {
    const { curve } = this.bolt(i);
    curve.press(this.at(i) + deg, deg, stepS);
    this.nut[i] = this.nutDeg(i) + deg;
    this.turnedSince += Math.abs(deg);
    if (this.turnedSince >= ASK_AGAIN_DEG) this.rest();
    else this.note(i);
  }

  /** Every bolt finds its load again. */
  rest(): void {
    this.turnedSince = 0;
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      let most = 0;
      for (let k = 0; k < this.bolts.length; k += 1) {
        const before = this.forces[k] ?? 0;
        this.byOthers[k] = this.takenByOthers(k);
        this.forces[k] = this.forceAt(k, this.at(k));
        most = Math.max(most, Math.abs((this.forces[k] ?? 0) - before));
      }
      if (most < SETTLED_N) break;
    }
    for (let k = 0; k < this.bolts.length; k += 1) this.note(k);
  }

  /** Time passes: the gasket goes on giving way under each bolt. */
  wait(minutes: number): void {
    const { share, minutes: tau } = this.creep;
    if (share === 0) return;
    for (const [k, bolt] of this.bolts.entries()) {
      const whole = (share * this.clampN(k)) / bolt.rateNPerDeg;
      const more = (whole - (this.crept[k] ?? 0)) * (1 - Math.exp(-minutes / tau));
      this.crept[k] = (this.crept[k] ?? 0) + Math.max(0, more);
    }
    this.rest();
  }

  /** Turned back until nothing holds it any more. */
  loosen(i: number): void {
    this.nut[i] = Math.min(this.nutDeg(i), this.bolt(i).startDeg);
    this.rest();
  }

  /** Another bolt goes into the same hole, run down by hand. */
  replace(i: number, bolt: JointedBolt): void {
    this.bolts[i] = bolt;
    this.nut[i] = bolt.startDeg + (this.byOthers[i] ?? 0) + (this.crept[i] ?? 0);
    this.most[i] = -Infinity;
    this.mostN[i] = 0;
    this.rest();
  }

  private bolt(i: number): JointedBolt {
    const bolt = this.bolts[i];
    if (!bolt) throw new RangeError(`no bolt ${i}`);
    return bolt;
  }

  /** Where its own curve is read: its nut, less what others and the gasket took. */
  private at = (i: number): number =>
    this.nutDeg(i) - (this.byOthers[i] ?? 0) - (this.crept[i] ?? 0);

  private takenByOthers(k: number): number {
    const { size, at } = this.flexibility;
    let mm = 0;
    for (let j = 0; j < size; j += 1)
      if (j !== k) mm += (at[k * size + j] ?? 0) * (this.forces[j] ?? 0);
    return (mm * 360) / this.bolt(k).pitchMm;
  }

  private forceAt(i: number, at: number): number {
    const { curve, rateNPerDeg } = this.bolt(i);
    const most = this.most[i] ?? -Infinity;
    return at >= most
      ? curve.heldN(at)
      : Math.max(0, (this.mostN[i] ?? 0) - rateNPerDeg * (most - at));
  }

  private note(i: number): void {
    const at = this.at(i);
    const force = this.forceAt(i, at);
    this.forces[i] = force;
    if (at >= (this.most[i] ?? -Infinity)) [this.most[i], this.mostN[i]] = [at, force];
  }
}
