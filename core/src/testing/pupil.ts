import {
  beginPractice,
  isForHand,
  setupFor,
  STEPS_PER_DEG,
  type Criterion,
  type ExerciseId,
  type PracticeBench,
  type PracticeEntry,
  type PracticeLog,
  type Practicing,
} from '../practice';
import { PLACE, Technician, testId } from '../rehearse';
import { next, seatIdOf, type FailureKind, type Next, type PullNext, type RunEvent } from '../run';
import type { Sheet } from '../procedure';

export const PUPIL: Practicing = {
  shop: testId(1),
  run: '00000000-0000-8000-8000-000000000001',
  person: testId(5),
};

/** How someone practices; left out: as well as a hand can. */
export interface Pupil {
  /** Turned so much farther than the click or the angle, degrees. */
  overshootDeg?: number;
  /** Says what is wrong with a bolt as soon as its pull is odd. */
  reports?: FailureKind;
  /** Always answers so in a settling pass. */
  saysMoved?: boolean;
  /** Confirms without pulling. */
  idle?: boolean;
  /** Believes what the phone says over the paint mark. */
  trustsPhone?: boolean;
}

/** One practice run by a pupil, as the app would write it down. */
export function practiceBy(
  of: { exercise: ExerciseId; seed: number } | { sheet: Sheet; seed: number },
  pupil: Pupil = {},
  who: Practicing = PUPIL,
): { log: PracticeLog; bench: PracticeBench } {
  const exercise = 'exercise' in of ? of.exercise : null;
  const sheet = 'sheet' in of ? of.sheet : null;
  const setup = setupFor({ exercise, seed: of.seed }, sheet);
  const { bench, before } = beginPractice(exercise, setup, who);
  const place = { ...PLACE, ...who, from: 5000 };
  const technician = new Technician(setup.sheet, place);
  technician.state = bench.state;
  const entries: PracticeEntry[] = [];
  const reported = new Set<string>();
  const took = (event: RunEvent): void => {
    entries.push({ event });
    bench.take(event);
  };
  if (before.length > 0) {
    // Later than the colleague, whose last entry comes from another device.
    technician.wait(86_400);
    technician.takeOver(testId(77));
    took(technician.state.events.at(-1) as RunEvent);
  }
  for (let i = 0; i < 2000; i += 1) {
    const due = next(technician.state);
    if (due.kind === 'done') break;
    const said = due.kind === 'pull' ? pull(due) : {};
    const event =
      due.kind === 'reconcile' && !pupil.trustsPhone
        ? technician.do('reconciled', readStripes(due))
        : technician.step(said);
    if (!event) break;
    took(event);
  }
  const base = { v: 1 as const, id: who.run, exercise, seed: of.seed, entries };
  const about = sheet ? { id: sheet.id, revision: sheet.revision } : null;
  return { log: { ...base, sheet: about }, bench };

  function pull(due: PullNext) {
    if (!isForHand(due.task) || pupil.idle) return {};
    const steps = stepsFor(due);
    if (steps > 0) entries.push({ hand: [steps] });
    const turned = bench.feel()?.turnedDeg ?? 0;
    const isFaulty = setup.faults[seatIdOf(due.fastener)] !== undefined;
    if (pupil.reports && isFaulty && !reported.has(seatIdOf(due.fastener)) && isReported(due)) {
      reported.add(seatIdOf(due.fastener));
      return { fails: pupil.reports };
    }
    if (!due.task.settling) return {};
    const limit = due.stage.repeat?.kind === 'untilSettled' ? due.stage.repeat.movedMoreThanDeg : 3;
    return { moved: pupil.saysMoved ?? turned > limit };
  }

  /** What shows in an angle is reported there. */
  function isReported(due: PullNext): boolean {
    const atAngle = ['stripped', 'wentSoft', 'angleLost'].includes(pupil.reports ?? '');
    return atAngle === (due.task.action === 'angle');
  }

  function stepsFor(due: PullNext): number {
    const over = (pupil.overshootDeg ?? 0) * STEPS_PER_DEG;
    const goal = due.inHand?.value ?? 0;
    let steps = 0;
    for (; steps < 2400; steps += 1) {
      const feel = bench.move(1);
      const isThere =
        due.task.action === 'angle' ? (feel?.gaugeDeg ?? 0) >= goal : feel?.hasClicked === true;
      if (isThere) break;
    }
    bench.move(over);
    return steps + 1 + over;
  }

  function readStripes(due: Extract<Next, { kind: 'reconcile' }>) {
    return {
      stage: due.stage.id,
      pass: due.pass,
      fasteners: due.fasteners.map((fastener) => ({
        fastener,
        found:
          (bench.stripeDeg(seatIdOf(fastener)) ?? 0) > 30
            ? ('turned' as const)
            : ('notTurned' as const),
      })),
    };
  }
}

export const missedBy = (judged: readonly { id: Criterion; ok: boolean; counts: boolean }[]) =>
  judged.filter((j) => j.counts && !j.ok).map((j) => j.id);
