import { frictionChange, levelOfChange, type FrictionChange } from '../clamp';
import { AppError } from '../errors';
import { actsOf, preloadAfterTurn, seatsOf, type Group, type Sheet } from '../procedure';
import { convert, units } from '../quantity';
import {
  frictionBands,
  hexHeadOf,
  propertyClassOf,
  threadOf,
  type FrictionCondition,
} from '../thread';

/**
 * What another compound than the published one does to the clamp load of a group: at its highest
 * torque, or after its angle where one follows, by the same model as the rest of the sheet. Plain
 * hexagon head. An explanation for the lead, never a new torque.
 * @returns null where the group has no torque, or its thread or class is not known
 */
export function otherCompound(
  sheet: Sheet,
  group: Group,
  actual: FrictionCondition,
): (FrictionChange & { afterAngle: boolean }) | null {
  const byTorque = atTorque(sheet, group, actual);
  return (
    byTorque && (afterAngle(sheet, group, actual, byTorque) ?? { ...byTorque, afterAngle: false })
  );
}

/**
 * The angle adds the same stretch whatever the friction: only what the torque before it gave
 * differs.
 */
function afterAngle(
  sheet: Sheet,
  group: Group,
  actual: FrictionCondition,
  byTorque: FrictionChange,
): (FrictionChange & { afterAngle: true }) | null {
  const [was, is] = [frictionBands[group.frictionCondition], frictionBands[actual]];
  const at = (mu: number): number | null => preloadAfterTurn(sheet, group, mu);
  const [spec, nominal, low, high] = [at(was.nominal), at(is.nominal), at(is.high), at(is.low)];
  if (spec === null || nominal === null || low === null || high === null) return null;
  const change = nominal / spec - 1;
  return {
    ...byTorque,
    afterAngle: true,
    preloadSpecKn: spec,
    preloadActualKn: nominal,
    change,
    changeLow: low / spec - 1,
    changeHigh: high / spec - 1,
    level: levelOfChange(change),
  };
}

function atTorque(sheet: Sheet, group: Group, actual: FrictionCondition): FrictionChange | null {
  const torques = sheet.stages
    .filter((s) => !s.trial && seatsOf(sheet, s).some((seat) => seat.group === group.id))
    .flatMap(actsOf)
    .flatMap(({ action, target }) => {
      if (action !== 'torque' || !target || units[target.unit].kind !== 'torque') return [];
      return [
        convert({ value: 'value' in target ? target.value : target.max, unit: target.unit }, 'N.m'),
      ];
    });
  if (torques.length === 0) return null;
  try {
    const thread = threadOf(group.thread.designation, group.thread.pitchMm);
    return frictionChange(
      Math.max(...torques),
      thread,
      propertyClassOf(group.propertyClass),
      group.frictionCondition,
      actual,
      hexHeadOf(thread.dMm, group.bearingMm).meanMm,
    );
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}
