import { measureKinds } from '../measure';
import type { Stage, Step } from '../procedure';
import type { Quantity } from '../quantity';
import type { PayloadOf } from '../run';

export const roundsOf = (stage: Stage): number =>
  stage.repeat?.kind === 'untilSeated' ? stage.repeat.maxRounds : 1;
export function valueIn(stage: Pick<Stage, 'id' | 'target'>): Quantity {
  const { target } = stage;
  if (!target) throw new Error(`stage ${stage.id} has no value`);
  return 'value' in target ? target : { value: target.min, unit: target.unit };
}

/** The answer that lets the work go on, and measurements inside the limits. */

export function answerTo(step: Step): Partial<PayloadOf<'stepDone'>> {
  const good = step.answers?.find((a) => a.then === 'goOn')?.text;
  const answered =
    good === undefined
      ? {}
      : step.rows
        ? { answers: step.rows.map((row) => ({ row, answer: good })) }
        : { answer: good };
  const value = step.limits?.max ?? step.limits?.min;
  const measurements =
    value &&
    (step.rows ?? [undefined]).map((row) => ({ ...(row === undefined ? {} : { row }), value }));
  return {
    ...answered,
    ...(measurements ? { measurements } : {}),
    ...(step.kind === 'rest' ? { note: 'Gearbox jack under it' } : {}),
    ...(step.measure ? { measured: measuredFor(step, step.measure) } : {}),
  };
}

/** Readings that lie well inside the limits of a measured step of a made-up sheet. */

export function measuredFor(
  { rows }: Step,
  { what, unit, limits }: NonNullable<Step['measure']>,
): NonNullable<PayloadOf<'stepDone'>['measured']> {
  const kind = measureKinds[what];
  const middle = ((limits.min ?? 0) + (limits.max ?? 0)) / 2;
  // A place along an edge comes first where there is one; a leaf that enters stands before the one
  // that does not.
  const value = (row: number, column: number): number =>
    what === 'strip'
      ? 1.5
      : column > 0 || kind.columns.length === 1
        ? middle
        : what === 'flatness' || what === 'warp'
          ? row * 100
          : middle;
  const strip: [number, number][] = [
    [1, middle + 0.02],
    [2, middle - 0.02],
  ];
  return {
    what,
    instrument: 'test',
    unit,
    uncertainty: 0,
    limits,
    rows: (rows ?? kind.rows).map((row, i) => ({
      row,
      values: kind.columns.map(
        (_c, column) => value(i, column) + (column === 2 && what === 'flatness' ? 1e-6 : 0),
      ),
    })),
    ...(what === 'strip' ? { strip } : {}),
  };
}
