import {
  clampCurve,
  type ClampCase,
  type GasketKind,
  type PartMaterial,
} from '@stennet/core/clamp';
import { AppError } from '@stennet/core/errors';
import { benchJointOf } from '@stennet/core/bench';
import type { Sheet } from '@stennet/core/procedure';
import { convert, parseQuantity, type UnitCode } from '@stennet/core/quantity';
import type { FrictionCondition } from '@stennet/core/thread';
import { readLength, readTorque } from '../small/read';

/** What stands in the fields. */
export interface ClampForm {
  thread: string;
  propertyClass: string;
  condition: FrictionCondition;
  /** Drawn beside it; none: nothing. */
  beside: FrictionCondition | 'none';
  torque: string;
  angle: string;
  grip: string;
  bearing: string;
  under: PartMaterial;
  gasket: GasketKind;
}

export const PLAIN: ClampForm = {
  thread: 'M10',
  propertyClass: '10.9',
  condition: 'engineOil',
  beside: 'dry',
  torque: '50',
  angle: '140',
  grip: '90',
  bearing: '',
  under: 'steel',
  gasket: 'none',
};

/** The bolts of a joint, as the bench has them; without a torque on its sheet, the plain one. */
export function formOfSheet(sheet: Sheet, torqueUnit: UnitCode): ClampForm {
  const joint = benchJointOf(sheet);
  if (!joint) return PLAIN;
  const { bolt, condition, torquesNm, anglesDeg } = joint;
  const torque = { value: torquesNm.at(-1) ?? 0, unit: 'N.m' as const };
  return {
    thread: bolt.thread,
    propertyClass: bolt.propertyClass,
    condition,
    beside: condition === 'dry' ? 'engineOil' : 'dry',
    torque: String(round(convert(torque, torqueUnit))),
    angle: String(anglesDeg.reduce((a, b) => a + b, 0)),
    grip: String(round(bolt.gripMm)),
    bearing: bolt.bearingMm ? String(bolt.bearingMm) : '',
    under: bolt.under ?? 'steel',
    gasket: bolt.gasket ?? 'none',
  };
}

const round = (x: number): number => Math.round(x * 10) / 10;

/** @returns the case, or the first field that is wrong */
export function readClamp(
  form: ClampForm,
  torqueUnit: UnitCode,
  pitchMm?: number,
): { of: ClampCase } | { wrong: keyof ClampForm } {
  const torque = readTorque(form.torque, torqueUnit);
  if (!torque) return { wrong: 'torque' };
  const angleDeg = angleIn(form.angle);
  if (angleDeg === undefined) return { wrong: 'angle' };
  const gripMm = readLength(form.grip);
  if (gripMm === undefined || gripMm > 1000) return { wrong: 'grip' };
  const bearingMm = form.bearing.trim() ? readLength(form.bearing) : undefined;
  if (form.bearing.trim() && bearingMm === undefined) return { wrong: 'bearing' };
  const of: ClampCase = {
    thread: form.thread.trim(),
    ...(pitchMm === undefined ? {} : { pitchMm }),
    propertyClass: form.propertyClass,
    ...(bearingMm === undefined ? {} : { bearingMm }),
    gripMm,
    under: form.under,
    gasket: form.gasket,
    condition: form.condition,
    torqueNm: convert(torque, 'N.m'),
    angleDeg,
  };
  try {
    clampCurve(of);
    return { of };
  } catch (error) {
    if (!(error instanceof AppError)) throw error;
    return { wrong: error.code === 'CLASS_UNKNOWN' ? 'propertyClass' : 'thread' };
  }
}

function angleIn(typed: string): number | undefined {
  if (!typed.trim()) return 0;
  try {
    const { value } = parseQuantity(typed, 'deg');
    return value >= 0 && value <= 720 ? value : undefined;
  } catch {
    return undefined;
  }
}
