import { frictionChange, type FrictionChange } from '../clamp';
import { AppError } from '../errors';
import { actsOf, seatsOf, type Group, type Sheet } from '../procedure';
import { convert, units } from '../quantity';
import { hexHeadOf, propertyClassOf, threadOf, type FrictionCondition } from '../thread';

/**
 * What another compound than the published one does to the clamp load of a group, at its highest torque; plain hexagon head.
 * An explanation for the lead's word, never a new torque.
 * @returns null where the group has no torque, or its thread or class is not known
 */
export function otherCompound(sheet: Sheet, group: Group, actual: FrictionCondition): FrictionChange | null {
  const torques = sheet.stages
    .filter((s) => !s.trial && seatsOf(sheet, s).some((seat) => seat.group === group.id))
    .flatMap(actsOf)
    .flatMap(({ action, target }) => {
      if (action !== 'torque' || !target || units[target.unit].kind !== 'torque') return [];
      return [convert({ value: 'value' in target ? target.value : target.max, unit: target.unit }, 'N.m')];
    });
  if (torques.length === 0) return null;
  try {
    const thread = threadOf(group.thread.designation, group.thread.pitchMm);
    return frictionChange(Math.max(...torques), thread, propertyClassOf(group.propertyClass), group.frictionCondition, actual, hexHeadOf(thread.dMm).meanMm);
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}
