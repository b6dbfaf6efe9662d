import { textsOf } from '../language';
import { friction } from '../language/en/friction';

const text = textsOf('friction', friction);
/** States of thread and head that change friction, and how sure the band is. */
export const FRICTION_CONDITIONS = [
  'dry',
  'lightOil',
  'engineOil',
  'molyPaste',
  'antiSeize',
  'threadLocker',
  'sealant',
  'platedWaxed',
] as const;
export type FrictionCondition = (typeof FRICTION_CONDITIONS)[number];

/** A condition in a technician's words. */
export const FRICTION_TEXT: Readonly<Record<FrictionCondition, string>> = text;

export interface FrictionBand {
  low: number;
  nominal: number;
  high: number;
  /** A documented class, B textbook, C depends on the product. */
  confidence: 'A' | 'B' | 'C';
}

const band = (
  low: number,
  nominal: number,
  high: number,
  confidence: FrictionBand['confidence'],
): FrictionBand => ({ low, nominal, high, confidence });

/**
 * Coefficient of friction by condition, the same for thread and head; low and high are about two
 * sigma in ln μ. Source: textbook ranges from engineering practice, rough. Explains and compares,
 * never makes a torque.
 */
export const frictionBands: Readonly<Record<FrictionCondition, FrictionBand>> = {
  dry: band(0.14, 0.18, 0.26, 'C'),
  lightOil: band(0.11, 0.14, 0.18, 'B'),
  engineOil: band(0.1, 0.13, 0.16, 'B'),
  molyPaste: band(0.06, 0.09, 0.12, 'B'),
  antiSeize: band(0.08, 0.11, 0.15, 'C'),
  threadLocker: band(0.11, 0.15, 0.2, 'C'),
  sealant: band(0.09, 0.13, 0.19, 'C'),
  platedWaxed: band(0.08, 0.11, 0.14, 'A'),
};

/** Standard deviation of ln μ that the band stands for: four sigma wide. */
export const lnSigma = ({ low, high }: FrictionBand): number => Math.log(high / low) / 4;
