import type { Sheet } from '../procedure';
import type { FailureKind } from '../run';
import { randomFrom, type TraceClass } from '../trace';
import { PRACTICE_SHEETS, type PracticeSheet } from './practiceSheets';
import type { PracticeSetup } from './practiceBench';
import type { Criterion, ExerciseId } from './exerciseIds';

export { CRITERIA, EXERCISES, type Criterion, type ExerciseId } from './exerciseIds';

export interface Exercise {
  sheet: PracticeSheet;
  /** One bolt of the joint has it; which one, the seed says. */
  fault?: Exclude<TraceClass, 'ok'>;
  /** No room to swing farther than that, degrees. */
  swingDeg?: number;
  /** Someone else has begun. */
  isBegun?: true;
  needs: readonly Criterion[];
}

const TORQUE: readonly Criterion[] = ['finished', 'reached', 'notOver', 'clamp'];
const ANGLE: readonly Criterion[] = ['finished', 'reached', 'angles', 'clamp'];
const HIDDEN: readonly Criterion[] = ['finished', 'found', 'onlyThat'];

export const exercises: Readonly<Record<ExerciseId, Exercise>> = {
  firstWrench: { sheet: 'cover', needs: TORQUE },
  gauge: { sheet: 'cap', needs: ANGLE },
  shortSwings: { sheet: 'cap', swingDeg: 40, needs: ANGLE },
  settle: { sheet: 'flange', needs: ['finished', 'reached', 'notOver', 'saidTrue'] },
  letItSet: { sheet: 'housing', needs: TORQUE },
  feelYield: { sheet: 'head', needs: ANGLE },
  bottomed: { sheet: 'cap', fault: 'bottoming', needs: HIDDEN },
  slipped: { sheet: 'cap', fault: 'angle_slip', needs: [...HIDDEN, 'angles'] },
  wrongLubricant: { sheet: 'cover', fault: 'wrong_lube', needs: HIDDEN },
  threadGives: { sheet: 'cap', fault: 'strip', needs: HIDDEN },
  usedBolt: { sheet: 'cap', fault: 'reused_yielded', needs: HIDDEN },
  colleague: { sheet: 'head', isBegun: true, needs: ANGLE },
};

/** How a technician may call each fault: what is felt does not always tell which it is. */
export const CALLED: Readonly<Partial<Record<TraceClass, readonly FailureKind[]>>> = {
  bottoming: ['bottomed', 'crossThreaded', 'wentSoft', 'wrongCompound'],
  wrong_lube: ['wrongCompound'],
  strip: ['stripped', 'wentSoft', 'broke'],
  reused_yielded: ['wentSoft', 'stripped', 'broke'],
  angle_slip: ['angleLost'],
};

/**
 * The joint of an exercise: never the first bolt has the fault, for there is nothing yet to hold it
 * against.
 */
export function setupOf(id: ExerciseId, seed: number): PracticeSetup {
  const { sheet: name, fault } = exercises[id];
  const sheet: Sheet = PRACTICE_SHEETS[name];
  const at = 1 + Math.floor(randomFrom(seed).share() * (sheet.seats.length - 1));
  const seat = sheet.seats[at]?.id;
  return { sheet, seed, faults: fault && seat !== undefined ? { [seat]: fault } : {} };
}
