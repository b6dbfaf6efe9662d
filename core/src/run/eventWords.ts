export const METHODS = [
  'click',
  'dial',
  'digital',
  'angleGauge',
  'printedDisc',
  'byEye',
  'byFeel',
  'stripe',
  'byHand',
  'powerTool',
  'stretchGauge',
  'confirmedTogether',
] as const;
export const OUTCOMES = [
  'clicked',
  'turned',
  'heldStill',
  'reached',
  'done',
  'noClick',
  'stoppedShort',
] as const;
export const VERDICTS = [
  'inTolerance',
  'below',
  'above',
  'moved',
  'still',
  'suspicious',
  'short',
  'notJudged',
] as const;
export const FAILURES = [
  'broke',
  'stripped',
  'crossThreaded',
  'wontStartByHand',
  'bottomed',
  'wrongCompound',
  'wentSoft',
  'angleLost',
  'driveRounded',
  'wontLoosen',
  'stepAbandoned',
] as const;
export const FITTED = ['new', 'ownHole', 'other'] as const;
export const HOLD_DECISIONS = [
  'passed',
  'failed',
  'pendingLead',
  'reallyDone',
  'redone',
  'notDone',
  'turnOn',
] as const;
