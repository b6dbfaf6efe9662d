/** error: the sheet may not be approved; warning: someone must answer it; note: worth knowing. */
export type FindingLevel = 'error' | 'warning' | 'note';

/** What a check found: where in the document, and a sentence that a technician understands. */
export interface Finding {
  code: FindingCode;
  level: FindingLevel;
  /** Path in the document, dots between: `stages.2.target`. */
  place: string;
  message: string;
}

export const FINDING_CODES = [
  'duplicateName',
  'unknownName',
  'neverReached',
  'pulledTwice',
  'orderIncomplete',
  'orderImpossible',
  'noOrder',
  'targetMissing',
  'targetUnit',
  'rangeEmpty',
  'repeatWrong',
  'angleWithoutTorque',
  'checkAfterAngle',
  'loosenNothing',
  'torqueBelowEarlier',
  'torqueAfterAngle',
  'trialNotOpened',
  'oldPartStays',
  'endsSlack',
  'neverTight',
  'compoundBeforeTrial',
  'nothingNamed',
  'implausible',
  'anotherUnit',
  'unitFactor',
  'unitUnlike',
  'angleImplausible',
  'oneTimeUseHinted',
  'reuseLimitMissing',
  'compoundTwice',
  'compoundMissing',
  'oilIntoCoolant',
  'sealantClock',
  'neverOut',
  'outBeforeIn',
  'clockBackwards',
  'backNowhere',
  'answerNowhere',
  'measureLimits',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];

export const finding = (
  code: FindingCode,
  level: FindingLevel,
  place: string,
  message: string,
): Finding => ({ code, level, place, message });
