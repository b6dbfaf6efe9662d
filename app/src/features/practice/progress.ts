import type { PracticeAttempt, PracticeRule } from '@stennet/core/contract/work';
import { EXERCISES, type ExerciseId } from '@stennet/core/practice';

/** Where one person stands with one exercise. */
export interface Standing {
  exercise: ExerciseId;
  /** When it was passed first; null: not yet. */
  passedAt: string | null;
  /** When it was tried last; null: never. */
  triedAt: string | null;
  /** Kinds of joint that it is asked for before, for this role. */
  askedFor: string[];
}

/** @param attempts the latest first */
export function standingsOf(
  attempts: readonly PracticeAttempt[],
  rules: readonly PracticeRule[],
  { person, role }: { person: string; role: string },
): Standing[] {
  return EXERCISES.map((exercise) => {
    const own = attempts.filter((a) => a.person === person && a.exercise === exercise);
    return {
      exercise,
      passedAt: own.findLast((a) => a.passed)?.at ?? null,
      triedAt: own[0]?.at ?? null,
      askedFor: rules.filter((r) => r.exercise === exercise && r.role === role).map((r) => r.kind),
    };
  });
}

/** What comes next: what is asked for, else in their order; null: all are passed. */
export const nextExercise = (standings: readonly Standing[]): ExerciseId | null => {
  const open = standings.filter((s) => s.passedAt === null);
  return (open.find((s) => s.askedFor.length > 0) ?? open[0])?.exercise ?? null;
};
