/** What a practice run is judged by; each holds or does not. */
export const CRITERIA = [
  'finished',
  'found',
  'onlyThat',
  'reached',
  'notOver',
  'angles',
  'saidTrue',
  'clamp',
] as const;
export type Criterion = (typeof CRITERIA)[number];

export const EXERCISES = [
  'firstWrench',
  'gauge',
  'shortSwings',
  'settle',
  'letItSet',
  'feelYield',
  'bottomed',
  'slipped',
  'wrongLubricant',
  'threadGives',
  'usedBolt',
  'colleague',
] as const;
export type ExerciseId = (typeof EXERCISES)[number];
