export {
  asRead,
  convert,
  plainText,
  units,
  UNIT_CODES,
  type Quantity,
  type UnitCode,
  type UnitKind,
} from './unit';
export { parseNumber } from './parseNumber';
export { parseNumbers } from './parseNumbers';
export { readingDoubt } from './readingDoubt';
export {
  createFormatter,
  inUnit,
  type Formatter,
  type FormattedQuantity,
  type ShopStyle,
} from './formatter';
export { QuantitySchema, UnitSchema } from './quantitySchema';
export {
  AdapterSchema,
  boltTorque,
  DRIVES,
  DriveSchema,
  scaleFactor,
  wrenchSetting,
  WrenchSchema,
  type Adapter,
  type Wrench,
} from './wrenchScale';
export { adapterSetting, leverFactor, type AdapterSetting, type Lever } from './lever';
export { parseCents } from './parseCents';
export { parseQuantity } from './parseQuantity';
export { firstUnitIn, UNIT_WORDS } from './unitWords';
