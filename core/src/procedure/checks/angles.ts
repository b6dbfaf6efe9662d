import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import { convert, units } from '../../quantity';
import type { Sheet } from '../sheet';
import type { Part, Stage } from '../stage';
import { seatsOf } from '../stageFacts';
import { finding, type Finding } from './finding';

const text = textsOf('checks', checks);

/** Degrees that one published angle has in the trade; beyond them a digit is likelier wrong. */
const ONE = [15, 270] as const;
/** And all of a fastener's angles together, since it was last loosened. */
const SUM = 450;

const degreesOf = ({ action, target }: Stage | Part): number | null =>
  action !== 'angle' || !target || units[target.unit].kind !== 'angle'
    ? null
    : convert({ value: 'value' in target ? target.value : target.max, unit: target.unit }, 'deg');

/** An angle with a digit too many or too few, and angles that add up to more than a bolt takes. */
export function checkAngles(sheet: Sheet): Finding[] {
  const single = sheet.stages.flatMap((stage, i) =>
    [
      { of: stage as Stage | Part, place: `stages.${i}` },
      ...(stage.each ?? []).map((of, k) => ({ of, place: `stages.${i}.each.${k}` })),
    ].flatMap(({ of, place }) => {
      const degrees = degreesOf(of);
      if (degrees === null || (degrees >= ONE[0] && degrees <= ONE[1])) return [];
      return [
        finding('angleImplausible', 'warning', `${place}.target`, text.angleUnusual({ degrees })),
      ];
    }),
  );
  return single.length > 0 ? single : tooFar(sheet);
}

function tooFar(sheet: Sheet): Finding[] {
  for (const seat of sheet.seats) {
    let sum = 0;
    for (const [i, stage] of sheet.stages.entries()) {
      if (!seatsOf(sheet, stage).some((s) => s.id === seat.id)) continue;
      for (const of of [stage as Stage | Part, ...(stage.each ?? [])]) {
        if ((['loosen', 'swap'] as string[]).includes(of.action)) sum = 0;
        sum += degreesOf(of) ?? 0;
      }
      if (sum > SUM)
        return [
          finding(
            'angleImplausible',
            'warning',
            `stages.${i}.target`,
            text.anglesTooFar({ seat: seat.id, degrees: sum }),
          ),
        ];
    }
  }
  return [];
}
