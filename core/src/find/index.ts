export { bare } from './bare';
export { nearForms, sheetWords, wordsOf, FIELD_WEIGHTS } from './words';
export { FITS, isNear, rarity } from './fit';
export { SheetIndex, type Entry, type Hit } from './sheetIndex';
export { checkVin, vinIn, type VinVerdict } from './vin';
export { seeded, typedLike } from './typos';
export { sheetBrief, type SheetBrief } from './sheetBrief';
