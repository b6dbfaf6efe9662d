export { convert, plainText, units, UNIT_CODES, type Quantity, type UnitCode, type UnitKind } from './unit';
export { parseNumber } from './parseNumber';
export { createFormatter, inUnit, type Formatter, type FormattedQuantity, type ShopStyle } from './formatter';
export { QuantitySchema, UnitSchema } from './quantitySchema';
export { wrenchSetting, type Wrench, WrenchSchema } from './wrench';
