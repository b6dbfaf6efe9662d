import type { Sheet } from '../procedure';
import { PLACE, Technician, type Place } from '../rehearse';
import { admit, CORE_VERSION, next, type PayloadOf, type RunEvent } from '../run';
import { exercises, setupOf, type ExerciseId } from './exercises';
import { PracticeBench, type PracticeSetup } from './practiceBench';
import type { PracticeLog } from './practiceLog';

/** Who practices, and under which id. */
export interface Practicing {
  shop: string;
  run: string;
  person: string;
}

/** A colleague who exists in practice only. */
export const COLLEAGUE = {
  person: '00000000-0000-8000-8000-0000000000c0',
  device: '00000000-0000-8000-8000-0000000000d0',
};
/** No joint of a repair order. */
export const PRACTICE_JOINT = '00000000-0000-8000-8000-0000000000e0';

/** How a run on a practice joint begins; a sheet with several banks or caps on its first. */
export function practiceStart(sheet: Sheet): PayloadOf<'started'> {
  const instance = sheet.instances?.labels[0];
  return {
    joint: PRACTICE_JOINT,
    sheet: sheet.id,
    revision: sheet.revision,
    // No sheet of a shop's library is vouched for here.
    sheetHash: '0'.repeat(64),
    core: CORE_VERSION,
    cautionsRead: true,
    ...(instance ? { instance } : {}),
  };
}

const placeOf = ({ shop, run }: Practicing): Place => ({
  ...PLACE,
  shop,
  run,
  joint: PRACTICE_JOINT,
  person: COLLEAGUE.person,
  device: COLLEAGUE.device,
});

/** What is practiced: an exercise, or a sheet of the shop without a fault. */
export const setupFor = (
  { exercise, seed }: Pick<PracticeLog, 'exercise' | 'seed'>,
  sheet: Sheet | null,
): PracticeSetup => {
  if (exercise) return setupOf(exercise, seed);
  if (!sheet) throw new RangeError('practice of no sheet');
  return { sheet, seed, faults: {} };
};

/** How many bolts the colleague gave the first angle; the last of them is not written down. */
const TURNED = 4;

/**
 * What a colleague did before, where an exercise begins in the middle: the last bolt was turned,
 * and the phone died before it was written down.
 */
export function begunBefore(bench: PracticeBench, who: Practicing): RunEvent[] {
  const technician = new Technician(bench.setup.sheet, placeOf(who));
  const events: RunEvent[] = [];
  let turned = 0;
  for (let i = 0; i < 200; i += 1) {
    const due = next(technician.state);
    const isAngle = due.kind === 'pull' && due.task.action === 'angle';
    if (due.kind === 'pull') bench.pullPerfectly();
    if (isAngle) turned += 1;
    if (isAngle && turned === TURNED) return events;
    const event = technician.step();
    if (!event) return events;
    events.push(event);
    bench.take(event);
  }
  return events;
}

/** The joint as it stands when someone begins to practice. */
export function beginPractice(
  exercise: ExerciseId | null,
  setup: PracticeSetup,
  who: Practicing,
): { bench: PracticeBench; before: RunEvent[] } {
  const bench = new PracticeBench(setup);
  const isBegun = exercise !== null && exercises[exercise].isBegun === true;
  return { bench, before: isBegun ? begunBefore(bench, who) : [] };
}

/**
 * Played again from its log; the run's own rules decide what may be taken.
 * @throws AppError what was never allowed
 */
export function playPractice(log: PracticeLog, setup: PracticeSetup, who: Practicing) {
  const { bench } = beginPractice(log.exercise, setup, who);
  for (const entry of log.entries) {
    if ('event' in entry) {
      admit(bench.state, entry.event);
      bench.take(entry.event);
    } else for (const steps of entry.hand) bench.move(steps);
  }
  return bench;
}

const MOST_STEPS = 4000;

/**
 * The same bolts, sound, pulled exactly as asked by someone who tells the truth.
 * @param lives which bolt sits in a place in the end
 */
export function perfectRun(
  { sheet, seed }: PracticeSetup,
  lives: Readonly<Record<string, number>>,
): PracticeBench {
  const bench = new PracticeBench({ sheet, seed, faults: {} });
  for (const [seat, life] of Object.entries(lives)) if (life > 1) bench.made.replace(seat, life);
  const technician = new Technician(sheet);
  for (let i = 0; i < MOST_STEPS; i += 1) {
    const due = next(technician.state);
    if (due.kind === 'done') break;
    if (due.kind === 'pull') bench.pullPerfectly();
    const moved = due.kind === 'pull' && (bench.pulls.at(-1)?.turnedDeg ?? 0) > limitOf(due.stage);
    const event = technician.step(due.kind === 'pull' && due.task.settling ? { moved } : {});
    if (!event) break;
    bench.take(event);
  }
  return bench;
}

/** What counts as moved where a sheet goes round until nothing does. */
const MOVED_DEG = 3;
export const limitOf = ({ repeat }: Sheet['stages'][number]): number =>
  repeat?.kind === 'untilSettled' ? repeat.movedMoreThanDeg : MOVED_DEG;
