import type { Sheet } from '../sheet';
import { checkAnswers } from './answers';
import type { Finding } from './finding';
import { checkNames } from './names';
import { checkOrders } from './orders';
import { checkStages } from './stages';
import { checkRanges } from './ranges';
import { checkReuse } from './reuse';
import { checkSteps } from './steps';
import { checkUnitFactor } from './unitUnlike';
import { checkValues } from './values';

export { FINDING_CODES, type Finding, type FindingCode, type FindingLevel } from './finding';
export { finalTorques, purposeOf, yieldTorqueNm } from './values';

/**
 * All that can be said of a sheet without tightening anything. A valid sheet gives no error and no
 * warning; notes may stand.
 * @param others sibling, earlier or conflicting sheets: only they can show a unit that is off by
 * the factor 1.36
 */
export function checkSheet(sheet: Sheet, others: readonly Sheet[] = []): Finding[] {
  const names = checkNames(sheet);
  // Names that mean nothing would make every later sentence wrong.
  if (names.some((f) => f.code === 'unknownName')) return names;
  return [
    ...names,
    ...checkOrders(sheet),
    ...checkStages(sheet),
    ...checkValues(sheet),
    ...checkReuse(sheet),
    ...checkSteps(sheet),
    ...checkRanges(sheet),
    ...checkAnswers(sheet),
    ...checkUnitFactor(sheet, others),
  ];
}

/** What keeps a sheet from being led at all. */
export const errorsOf = (sheet: Sheet): Finding[] =>
  checkSheet(sheet).filter((f) => f.level === 'error');
