import { AppError } from '../errors';

/** Minimum strengths of a property class in MPa, and the diameters they hold for. */
export interface PropertyClass {
  name: string;
  /** null where the standard gives none (stainless steel). */
  proofMPa: number | null;
  yieldMPa: number;
  tensileMPa: number;
  fromMm: number;
  toMm: number;
}

const KSI_MPA = 6.894757293168361;
const row = (
  name: string,
  proofMPa: number | null,
  yieldMPa: number,
  tensileMPa: number,
  fromMm: number,
  toMm: number,
): PropertyClass => ({
  name,
  proofMPa,
  yieldMPa,
  tensileMPa,
  fromMm,
  toMm,
});
const ksi = (
  name: string,
  proof: number,
  yields: number,
  tensile: number,
  toMm: number,
): PropertyClass => row(name, proof * KSI_MPA, yields * KSI_MPA, tensile * KSI_MPA, 6.35, toMm);

const CLASSES: readonly PropertyClass[] = [
  row('4.6', 225, 240, 400, 1.6, 39),
  row('4.8', 310, 340, 420, 1.6, 16),
  row('5.6', 280, 300, 500, 1.6, 39),
  row('5.8', 380, 420, 520, 1.6, 24),
  row('6.8', 440, 480, 600, 1.6, 24),
  row('8.8', 580, 640, 800, 1.6, 16),
  row('9.8', 650, 720, 900, 1.6, 16),
  row('10.9', 830, 940, 1040, 1.6, 39),
  row('12.9', 970, 1100, 1220, 1.6, 39),
  row('A2-70', null, 450, 700, 1.6, 24),
  row('A2-80', null, 600, 800, 1.6, 24),
  ksi('SAE 5', 85, 92, 120, 25.4),
  ksi('SAE 8', 120, 130, 150, 38.1),
];
export const PROPERTY_CLASSES = CLASSES.map((c) => c.name);

/**
 * Strengths of a property class. Source: ISO 898-1, ISO 3506-1, SAE J429, from engineering
 * practice, not looked up.
 * @throws AppError CLASS_UNKNOWN
 * @example propertyClassOf('10.9').yieldMPa // 940
 */
export function propertyClassOf(name: string): PropertyClass {
  const found = CLASSES.find((c) => c.name === name);
  if (!found) throw new AppError('CLASS_UNKNOWN', { name });
  return found;
}
