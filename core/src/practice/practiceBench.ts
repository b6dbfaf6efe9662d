import type { Sheet } from '../procedure';
import { convert, units } from '../quantity';
import {
  evolve,
  initialState,
  isTorque,
  lifeOf,
  next,
  seatIdOf,
  taskNamed,
  timeOf,
  type EventOf,
  type PullNext,
  type RunEvent,
  type RunState,
} from '../run';
import { pullByAngle, pullToTorque } from './perfectHand';
import { sheetJoint, type Faults, type SheetJoint } from './sheetJoint';
import { WrenchHand, type Feel, type HandTool } from './wrenchHand';

/** What is practiced on: the same again gives the same joint. */
export interface PracticeSetup {
  sheet: Sheet;
  seed: number;
  faults: Faults;
}

/** One pull as it really went, whatever was said of it. */
export interface RealPull {
  seat: string;
  life: number;
  stage: string;
  /** null where it was given no torque or angle. */
  kind: 'torque' | 'angle' | null;
  /** N·m or degrees. */
  target: number;
  turnedDeg: number;
  peakNm: number;
  /** What was confirmed; null while it was not. */
  said: EventOf<'pulled'>['payload']['outcome'] | null;
  /** Clamp on every bolt once it was let go, N. */
  clampsN: number[];
}

/** What a hand may be put on. */
export const isForHand = (task: PullNext['task']): boolean =>
  isTorque(task.action) || task.action === 'angle';

/** A pull on one bolt takes about so long, with all that is done round it. */
const MINUTES_A_PULL = 0.5;

/**
 * The simulated joint beside the run: the same events that the run takes, and between them what the
 * hand does. Everything that happens in it follows from the setup and what it was given, in order.
 */
export class PracticeBench {
  state: RunState;
  readonly made: SheetJoint;
  readonly pulls: RealPull[] = [];
  /** The pull that goes on, and the tool on it; none where it was done exactly. */
  private hand: { key: string; pull: RealPull; wrench: WrenchHand | null } | null = null;
  private readonly marked = new Map<string, number>();

  constructor(readonly setup: PracticeSetup) {
    this.state = initialState(setup.sheet);
    this.made = sheetJoint(setup.sheet, setup.seed, setup.faults);
  }

  /** What the run took: the joint follows. */
  take(event: RunEvent): void {
    const before = this.state;
    this.state = evolve(before, event);
    this.follow(before, event);
  }

  /**
   * The handle moves by so many quarter degrees on the bolt that is due.
   * @returns what is felt; null where nothing is due that is pulled by hand
   */
  move(steps: number): Feel | null {
    const hand = this.inHand();
    if (!hand?.wrench) return null;
    hand.wrench.move(steps);
    const feel = hand.wrench.feel();
    hand.pull.turnedDeg = feel.turnedDeg;
    hand.pull.peakNm = feel.peakNm;
    return feel;
  }

  /** As it is felt now; null where no tool is on a bolt. */
  feel(): Feel | null {
    const due = next(this.state);
    return this.hand && due.kind === 'pull' && this.hand.key === keyOf(this.state, due)
      ? (this.hand.wrench?.feel() ?? null)
      : null;
  }

  /** How far the paint mark of a bolt stands from where it was put, degrees; null: no mark. */
  stripeDeg(seat: string): number | null {
    const at = this.made.at.get(seat);
    const from = this.marked.get(seat);
    return at === undefined || from === undefined ? null : this.made.joint.nutDeg(at) - from;
  }

  /** Done exactly as it is asked, for a run beside which others are held. */
  pullPerfectly(): void {
    const due = next(this.state);
    if (due.kind !== 'pull') return;
    const at = this.made.at.get(seatIdOf(due.fastener));
    const goal = goalOf(due);
    if (at === undefined || !goal) return;
    const pull = this.begin(due, goal);
    this.hand = { key: keyOf(this.state, due), pull, wrench: null };
    const before = this.made.joint.nutDeg(at);
    if (goal.kind === 'torque') pullToTorque(this.made.joint, at, goal.value);
    else pullByAngle(this.made.joint, at, goal.value);
    pull.turnedDeg = this.made.joint.nutDeg(at) - before;
    pull.peakNm = goal.kind === 'torque' ? goal.value : this.made.joint.resistNm(at, 0);
    pull.clampsN = this.made.joint.clamps();
  }

  private inHand(): NonNullable<typeof this.hand> | null {
    const due = next(this.state);
    if (due.kind !== 'pull' || !isForHand(due.task)) return null;
    const key = keyOf(this.state, due);
    if (this.hand?.key === key) return this.hand;
    const seat = seatIdOf(due.fastener);
    const at = this.made.at.get(seat);
    const bolt = this.made.bolt(seat);
    const goal = goalOf(due);
    if (at === undefined || !bolt || !goal) return null;
    const { drawn, made } = bolt;
    const tool: HandTool = {
      springNmPerDeg: made.toolStiffnessNmPerDeg * drawn.toolRatio,
      clicksAtNm: goal.kind === 'torque' && due.tool.method === 'click' ? goal.value : null,
      slips: goal.kind === 'angle' ? slipsOf(drawn, goal.value) : [],
    };
    const wrench = new WrenchHand(this.made.joint, at, tool, drawn);
    this.hand = { key, pull: this.begin(due, goal), wrench };
    return this.hand;
  }

  private begin(due: PullNext, goal: Goal): RealPull {
    const pull: RealPull = {
      seat: seatIdOf(due.fastener),
      life: lifeOf(due.fastener),
      stage: due.stage.id,
      kind: goal.kind,
      target: goal.value,
      turnedDeg: 0,
      peakNm: 0,
      said: null,
      clampsN: [],
    };
    this.pulls.push(pull);
    return pull;
  }

  private follow(before: RunState, event: RunEvent): void {
    const { joint } = this.made;
    switch (event.type) {
      case 'pulled':
        this.pulled(before, event);
        break;
      case 'failed':
        this.letGo();
        break;
      case 'stepDone':
        if (event.payload.step === 'mark')
          for (const [seat, at] of this.made.at) this.marked.set(seat, joint.nutDeg(at));
        break;
      case 'slackened':
        for (const f of event.payload.fasteners) this.loosen(seatIdOf(f));
        break;
      case 'restarted':
        this.restarted(before, event);
        break;
      case 'swapped':
        this.made.replace(seatIdOf(event.payload.replacement), lifeOf(event.payload.replacement));
        break;
      case 'waited':
        this.wait(before, event);
        break;
    }
  }

  private pulled(before: RunState, { payload }: EventOf<'pulled'>): void {
    const task = taskNamed(this.setup.sheet, before.progress, payload);
    const seat = seatIdOf(payload.fastener);
    const at = this.made.at.get(seat);
    if (task && at !== undefined) this.byItself(task, at);
    const { hand } = this;
    this.letGo();
    if (hand?.pull.seat === seat && hand.pull.stage === payload.stage) {
      hand.pull.said = payload.outcome;
    } else if (task && isForHand(task)) {
      // Confirmed without a pull: that is what happened.
      this.pulls.push({
        seat,
        life: lifeOf(payload.fastener),
        stage: payload.stage,
        kind: task.action === 'angle' ? 'angle' : 'torque',
        target: task.target ? inHandUnits(task.target) : 0,
        turnedDeg: 0,
        peakNm: 0,
        said: payload.outcome,
        clampsN: this.made.joint.clamps(),
      });
    }
    this.made.joint.wait(MINUTES_A_PULL);
  }

  /** What needs no feeling: loosening, and a stretch that a gauge reads. */
  private byItself(task: PullNext['task'], at: number): void {
    const { joint } = this.made;
    const loosen = task.part?.loosen ?? task.stage.loosen;
    if (task.action === 'loosen') {
      if (typeof loosen === 'object') joint.turn(at, -loosen.degrees);
      else joint.loosen(at);
      joint.rest();
    } else if (task.action === 'stretch') {
      const seat = [...this.made.at].find(([, i]) => i === at)?.[0] ?? '';
      pullToTorque(joint, at, this.made.bolt(seat)?.made.torqueTargetNm ?? 0);
    }
  }

  private letGo(): void {
    if (!this.hand) return;
    this.hand.wrench?.rest();
    this.hand.pull.clampsN = this.made.joint.clamps();
    this.hand = null;
  }

  private loosen(seat: string): void {
    const at = this.made.at.get(seat);
    if (at !== undefined) this.made.joint.loosen(at);
  }

  /** Taken out after something was wrong with it, it goes in clean. */
  private restarted(before: RunState, { payload }: EventOf<'restarted'>): void {
    const seats = payload.fastener ? [seatIdOf(payload.fastener)] : [...this.made.at.keys()];
    for (const seat of seats) {
      const failed = before.progress.seats[seat]?.failed;
      if (failed) this.made.replace(seat, before.progress.seats[seat]?.life ?? 1);
      else this.loosen(seat);
    }
  }

  private wait(before: RunState, event: EventOf<'waited'>): void {
    const due = next(before);
    const until = due.kind === 'wait' ? due.stage.waitUntil : undefined;
    const asked = until && 'minutes' in until ? until.minutes : 0;
    const last = before.events.at(-1);
    const passed = last ? (Date.parse(timeOf(event)) - Date.parse(timeOf(last))) / 60_000 : 0;
    this.made.joint.wait(Math.max(asked, Math.min(passed, 24 * 60)));
  }
}

interface Goal {
  kind: 'torque' | 'angle';
  value: number;
}

/** What is left to do of the pull that is due, N·m or degrees. */
function goalOf({ task, inHand, target }: PullNext): Goal | null {
  const asked =
    inHand && units[inHand.unit].kind === (task.action === 'angle' ? 'angle' : 'torque')
      ? inHand
      : target;
  if (!asked || !isForHand(task)) return null;
  // What stands on the scale may be another value; the bolt has to get the published one.
  const of = task.action === 'angle' ? asked : (target ?? asked);
  return { kind: task.action === 'angle' ? 'angle' : 'torque', value: inHandUnits(of) };
}

const inHandUnits = (q: NonNullable<PullNext['target']>): number =>
  q.unit === 'deg' ? q.value : convert(q, 'N.m');

const keyOf = (state: RunState, due: PullNext): string =>
  `${state.events.length} ${due.task.key} ${due.pass} ${due.fastener}`;

/** A gauge that creeps is seen as one that jumped once. */
function slipsOf(
  { slips, creep }: { slips?: { progress: number; deg: number }[]; creep?: unknown },
  targetDeg: number,
): HandTool['slips'] {
  const all = slips ?? (creep ? [{ progress: 0.6, deg: 14 }] : []);
  return all.map((s) => ({ atDeg: s.progress * targetDeg, deg: s.deg }));
}
