import type { PracticeJoint } from './practiceJoint';

/** The handle is read to a quarter of a degree: what was done can be told, and done again. */
export const STEPS_PER_DEG = 4;
const STEP_DEG = 1 / STEPS_PER_DEG;
/** About as fast as a hand goes under load, s for one step. */
const STEP_S = 0.005;
const TOOTH_DEG = 5;
/** What a click wrench gives way by when it clicks. */
const CLICK_GIVES_DEG = 3;

/** The tool on the bolt. */
export interface HandTool {
  /** Its own twist, N·m for each degree. */
  springNmPerDeg: number;
  /** Where it clicks; null: it has no click. */
  clicksAtNm: number | null;
  /** The angle gauge jumps by so much as the bolt has turned so far, degrees. */
  slips: readonly { atDeg: number; deg: number }[];
}

/** Static over moving friction, and how it lets go: 0 where it moves evenly. */
export interface Stick {
  breakaway: number;
  slipLow: number;
}

/** What the hand feels and the tool shows at one moment. */
export interface Feel {
  torqueNm: number;
  peakNm: number;
  /** Where the handle stands, degrees from where it was put on; teeth of the ratchet taken off. */
  handleDeg: number;
  /** What the bolt has turned since the tool was put on: no one sees it but by its stripe. */
  turnedDeg: number;
  /** What the gauge shows. */
  gaugeDeg: number;
  hasClicked: boolean;
  isSlack: boolean;
}

/**
 * One hand on one bolt: handle, ratchet, the tool's own twist, and the nut that follows when the
 * tool pulls harder than what holds against it. The way of core/trace's simulated pull, a step at a
 * time. Steps are always the same size: the same strokes end the same, however they were cut up on
 * the way here.
 */
export class WrenchHand {
  private handle = 0;
  private ratchet = 0;
  private nut = 0;
  private torque = 0;
  private peak = 0;
  private isStuck = true;
  private hasClicked = false;
  private gives = 0;
  private swung = 0;

  constructor(
    private readonly joint: PracticeJoint,
    private readonly bolt: number,
    private readonly tool: HandTool,
    private readonly stick: Stick,
  ) {}

  /** @param steps of a quarter degree: forward above 0, back below */
  move(steps: number): void {
    for (let n = 0; n < Math.abs(steps); n += 1) this.step(steps > 0 ? 1 : -1);
  }

  /** Let go: the bolts find their loads. */
  rest(): void {
    this.joint.rest();
  }

  feel(): Feel {
    const slipped = this.tool.slips.filter((s) => this.nut > s.atDeg);
    return {
      torqueNm: this.torque,
      peakNm: this.peak,
      handleDeg: this.swung,
      turnedDeg: this.nut,
      gaugeDeg: this.nut + slipped.reduce((sum, s) => sum + s.deg, 0),
      hasClicked: this.hasClicked,
      isSlack: this.torque <= 0,
    };
  }

  private step(way: 1 | -1): void {
    this.swung += way * STEP_DEG;
    if (way > 0 && this.gives > 0) {
      this.gives -= STEP_DEG;
      return;
    }
    this.handle += way * STEP_DEG;
    if (way < 0) this.isStuck = true;
    if (this.pullsOn(0, this.isStuck ? 1 + this.stick.breakaway : 1)) this.follow();
    let twist = this.twist(0);
    // Back over its teeth; between two of them it only hangs.
    while (twist < -TOOTH_DEG) {
      this.ratchet -= TOOTH_DEG;
      twist += TOOTH_DEG;
    }
    this.torque = Math.max(0, this.tool.springNmPerDeg * twist);
    this.peak = Math.max(this.peak, this.torque);
    this.click(way);
  }

  private click(way: 1 | -1): void {
    const { clicksAtNm } = this.tool;
    if (way < 0) this.gives = 0;
    if (clicksAtNm === null || this.hasClicked || this.torque < clicksAtNm) return;
    this.hasClicked = true;
    this.gives = CLICK_GIVES_DEG;
  }

  private twist = (advance: number): number => this.handle - this.nut - advance - this.ratchet;

  private pullsOn = (advance: number, times: number): boolean =>
    this.tool.springNmPerDeg * this.twist(advance) >
    times * this.joint.resistNm(this.bolt, advance);

  /** The nut goes on until what holds it is as strong as the tool: by halving. */
  private follow(): void {
    const { slipLow } = this.stick;
    let [low, high] = [0, Math.max(0, this.twist(0))];
    for (let i = 0; i < 20; i += 1) {
      const middle = 0.5 * (low + high);
      if (this.pullsOn(middle, 1 - slipLow)) low = middle;
      else high = middle;
    }
    const advance = 0.5 * (low + high);
    this.joint.turn(this.bolt, advance, STEP_S);
    this.nut += advance;
    this.isStuck = slipLow > 0;
  }
}
