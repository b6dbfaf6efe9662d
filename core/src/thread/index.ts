export { brokenSizes, type BrokenSizes } from './brokenSizes';
export { isInchThread, threadOf, type Thread } from './thread';
export { propertyClassOf, PROPERTY_CLASSES, type PropertyClass } from './propertyClass';
export { hexHeadOf, type HexHead } from './hexHead';
export {
  FRICTION_CONDITIONS,
  FRICTION_TEXT,
  frictionBands,
  lnSigma,
  type FrictionBand,
  type FrictionCondition,
} from './friction';
