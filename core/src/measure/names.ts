/** What is measured in a shop. */
export const MEASURE_KINDS = [
  'flatness',
  'warp',
  'strip',
  'bearing',
  'boltLength',
  'protrusion',
  'gap',
  'runOut',
  'wear',
  'stopDepth',
] as const;
export type MeasureKindId = (typeof MEASURE_KINDS)[number];
