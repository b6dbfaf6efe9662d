import { groupOf, stageIndex, tighteningOf, type Sheet } from '../procedure';
import type { EventOf, RunEvent } from '../run';
import { seatIdOf } from '../run';
import { CALLED, CRITERIA, exercises, type Criterion } from './exercises';
import { limitOf, perfectRun, playPractice, type Practicing } from './playPractice';
import type { PracticeBench, PracticeSetup, RealPull } from './practiceBench';
import type { PracticeLog } from './practiceLog';

/** One bolt beside the same bolt of a perfect run. */
export interface PracticedBolt {
  seat: string;
  clampKn: number;
  perfectKn: number;
  is: 'good' | 'short' | 'over';
  /** Turned by all angles together, less what was asked, degrees; null: no angle is asked. */
  angleOffDeg: number | null;
}

export interface Judged {
  id: Criterion;
  ok: boolean;
  /** Whether this one decides here. */
  counts: boolean;
  /** Which bolts it does not hold for. */
  seats: string[];
}

/** The fault that was hidden, and what could be noticed of it. */
export interface HiddenFault {
  seat: string;
  is: keyof typeof CALLED & string;
  wasFound: boolean;
  /** What its first pull turned, and what the others did in the same stage, degrees. */
  turnedDeg: number;
  othersDeg: number;
}

export interface PracticeResult {
  bolts: PracticedBolt[];
  meanKn: number;
  /** Standard deviation over mean. */
  spread: number;
  perfectSpread: number;
  judged: Judged[];
  passed: boolean;
  /** The first that does not hold, in order of weight; null: nothing to better. */
  better: Criterion | null;
  fault: HiddenFault | null;
  minutes: number;
  /** Clamp on every bolt after every pull, kN, in the order of `bolts`. */
  replay: { seat: string; stage: string; clampsKn: number[] }[];
}

const CLAMP_OFF = 0.12;
const OVER = 1.08;
const REACHED = 0.96;
/** So near the limit, either answer of a settling pass is true. */
const NEAR_LIMIT_DEG = 1.5;
const ANGLE_OFF_DEG = 5;

/**
 * Plays a practice run again and judges what was really done to the joint, beside the same joint
 * pulled exactly. Time is told, and never judged.
 * @throws AppError what was never allowed
 */
export function judgePractice(
  log: PracticeLog,
  setup: PracticeSetup,
  who: Practicing,
): PracticeResult {
  const bench = playPractice(log, setup, who);
  const events = log.entries.flatMap((e) => ('event' in e ? [e.event] : []));
  const lives = Object.fromEntries(
    [...bench.made.at.keys()].map((seat) => [seat, bench.state.progress.seats[seat]?.life ?? 1]),
  );
  const perfect = perfectRun(setup, lives);
  const bolts = boltsOf(bench, perfect);
  const facts = { bench, bolts, events, setup };
  const needs: readonly Criterion[] = log.exercise ? exercises[log.exercise].needs : usual(setup);
  const judged = CRITERIA.map((id): Judged => {
    const seats = CHECKS[id](facts);
    return {
      id,
      ok: seats === null || seats.length === 0,
      counts: needs.includes(id),
      seats: seats ?? [],
    };
  });
  const clamps = bolts.map((b) => b.clampKn);
  const missed = judged.filter((j) => j.counts && !j.ok);
  return {
    bolts,
    meanKn: mean(clamps),
    spread: spreadOf(clamps),
    perfectSpread: spreadOf(bolts.map((b) => b.perfectKn)),
    judged,
    passed: missed.length === 0,
    better: WEIGHT.find((id) => missed.some((m) => m.id === id)) ?? null,
    fault: faultOf(facts),
    minutes: minutesOf(events),
    replay: bench.pulls
      .filter((p) => p.clampsN.length > 0)
      .map((p) => ({ seat: p.seat, stage: p.stage, clampsKn: p.clampsN.map((n) => n / 1000) })),
  };
}

/** What is told first. */
const WEIGHT: readonly Criterion[] = [
  'found',
  'finished',
  'angles',
  'notOver',
  'reached',
  'saidTrue',
  'onlyThat',
  'clamp',
];

/** Any sheet of the shop: what a real joint would be judged by. */
const usual = ({ sheet }: PracticeSetup): readonly Criterion[] =>
  sheet.stages.some((s) => s.action === 'angle')
    ? ['finished', 'reached', 'notOver', 'angles', 'clamp']
    : ['finished', 'reached', 'notOver', 'saidTrue'];

interface Facts {
  bench: PracticeBench;
  bolts: readonly PracticedBolt[];
  events: readonly RunEvent[];
  setup: PracticeSetup;
}

/** For which bolts each does not hold; an empty text stands for the run as a whole. */
const CHECKS: Readonly<Record<Criterion, (f: Facts) => string[] | null>> = {
  finished: ({ bench }) => (bench.state.status === 'finished' ? [] : ['']),
  found: (f) => {
    const fault = faultOf(f);
    return fault && !fault.wasFound ? [fault.seat] : [];
  },
  onlyThat: ({ events, setup }) =>
    unique(failuresIn(events).map((e) => seatIdOf(e.payload.fastener ?? ''))).filter(
      (seat) => setup.faults[seat] === undefined,
    ),
  reached: ({ bench }) =>
    unique(
      lastOfEach(bench.pulls.filter((p) => p.kind === 'torque' && tookIt(p)))
        .filter((p) => p.peakNm < REACHED * p.target)
        .map((p) => p.seat),
    ),
  notOver: ({ bench }) =>
    unique(
      bench.pulls
        .filter((p) => p.kind === 'torque' && p.peakNm > OVER * p.target)
        .map((p) => p.seat),
    ),
  angles: ({ bolts }) =>
    bolts.filter((b) => Math.abs(b.angleOffDeg ?? 0) > ANGLE_OFF_DEG).map((b) => b.seat),
  saidTrue: ({ bench, setup }) =>
    unique(bench.pulls.filter((p) => isUntrue(p, setup.sheet)).map((p) => p.seat)),
  clamp: ({ bolts }) =>
    bolts.filter((b) => Math.abs(b.clampKn / b.perfectKn - 1) > CLAMP_OFF).map((b) => b.seat),
};

const tookIt = (p: RealPull): boolean =>
  p.said === 'clicked' || p.said === 'turned' || p.said === 'heldStill';

/** The last pull of each bolt in each stage: what it was left with. */
const lastOfEach = (pulls: readonly RealPull[]): RealPull[] => [
  ...new Map(pulls.map((p) => [`${p.seat} ${p.life} ${p.stage}`, p])).values(),
];

function isUntrue(pull: RealPull, sheet: Sheet): boolean {
  const stage = sheet.stages[stageIndex(sheet, pull.stage)];
  if (!stage || (pull.said !== 'turned' && pull.said !== 'heldStill')) return false;
  const past = pull.turnedDeg - limitOf(stage);
  return Math.abs(past) > NEAR_LIMIT_DEG && past > 0 !== (pull.said === 'turned');
}

function boltsOf(bench: PracticeBench, perfect: PracticeBench): PracticedBolt[] {
  const { sheet } = bench.setup;
  return [...bench.made.at].map(([seat, at]): PracticedBolt => {
    const clampKn = bench.made.joint.clampN(at) / 1000;
    const perfectKn = perfect.made.joint.clampN(at) / 1000;
    const off = perfectKn > 0 ? clampKn / perfectKn - 1 : 0;
    const life = bench.state.progress.seats[seat]?.life ?? 1;
    const of = sheet.seats.find((s) => s.id === seat);
    const asked = of ? (tighteningOf(sheet, groupOf(sheet, of))?.anglesDeg ?? []) : [];
    const turned = sum(
      bench.pulls
        .filter((p) => p.seat === seat && p.life === life && p.kind === 'angle')
        .map((p) => p.turnedDeg),
    );
    const angleOffDeg = asked.length > 0 ? turned - sum(asked) : null;
    // Past yield the clamp load hardly tells how far a bolt was stretched: the angle does.
    const isShort = off < -CLAMP_OFF || (angleOffDeg ?? 0) < -ANGLE_OFF_DEG;
    const isOver = off > CLAMP_OFF || (angleOffDeg ?? 0) > ANGLE_OFF_DEG;
    const is = isShort ? 'short' : isOver ? 'over' : 'good';
    return { seat, clampKn, perfectKn, is, angleOffDeg };
  });
}

const failuresIn = (events: readonly RunEvent[]): EventOf<'failed'>[] =>
  events.filter((e): e is EventOf<'failed'> => e.type === 'failed');

function faultOf({ bench, bolts, events, setup }: Facts): HiddenFault | null {
  const [seat] = Object.keys(setup.faults);
  const is = seat === undefined ? undefined : setup.faults[seat];
  if (seat === undefined || is === undefined || is === 'ok') return null;
  const called = failuresIn(events).some(
    (e) => seatIdOf(e.payload.fastener ?? '') === seat && CALLED[is]?.includes(e.payload.kind),
  );
  // Whoever read the paint mark instead of the gauge got the angle right.
  const bolt = bolts.find((b) => b.seat === seat);
  const isRight = is === 'angle_slip' && Math.abs(bolt?.angleOffDeg ?? Infinity) <= ANGLE_OFF_DEG;
  const mine = bench.pulls.find((p) => p.seat === seat && p.life === 1);
  const others = bench.pulls.filter((p) => p.seat !== seat && p.stage === mine?.stage);
  return {
    seat,
    is,
    wasFound: called || isRight,
    turnedDeg: mine?.turnedDeg ?? 0,
    othersDeg: median(others.map((p) => p.turnedDeg)),
  };
}

const unique = (seats: readonly string[]): string[] => [...new Set(seats)];
const sum = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0);
const mean = (values: readonly number[]): number => sum(values) / Math.max(1, values.length);
function spreadOf(values: readonly number[]): number {
  const middle = mean(values);
  if (middle === 0) return 0;
  return Math.sqrt(mean(values.map((x) => (x - middle) ** 2))) / middle;
}
function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}
function minutesOf(events: readonly RunEvent[]): number {
  const [first, last] = [events[0], events.at(-1)];
  return first && last ? (Date.parse(last.deviceTime) - Date.parse(first.deviceTime)) / 60_000 : 0;
}
