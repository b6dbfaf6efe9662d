import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import { convert, units } from '../../quantity';
import type { Group, Sheet } from '../sheet';
import type { Part, Stage } from '../stage';
import { entersYield, groupOf, seatsOf } from '../stageFacts';
import { finding, type Finding } from './finding';

const text = textsOf('checks', checks);

/** From here on most sources want new bolts; a stage that says it stays below yield is believed. */
const TURNS_FAR = 60;

/** Degrees that the fasteners of a group are turned by, at most, without being loosened. */
function turnedBy(sheet: Sheet, group: Group): number {
  let [sum, most] = [0, 0];
  for (const stage of sheet.stages) {
    if (!seatsOf(sheet, stage).some((seat) => seat.group === group.id)) continue;
    if (stage.action === 'loosen' || stage.action === 'swap') sum = 0;
    for (const { action, target } of [stage as Stage | Part, ...(stage.each ?? [])])
      if (
        action === 'angle' &&
        target &&
        units[target.unit].kind === 'angle' &&
        stage.entersYield !== false
      )
        sum += convert(
          { value: 'value' in target ? target.value : target.max, unit: target.unit },
          'deg',
        );
    most = Math.max(most, sum);
  }
  return most;
}

/** One-time use against what the procedure does to the fastener. */
export function checkReuse(sheet: Sheet): Finding[] {
  return sheet.groups.flatMap((group, i) => {
    const place = `groups.${i}.reuse`;
    const on = sheet.stages.filter((s) =>
      seatsOf(sheet, s).some((seat) => groupOf(sheet, seat).id === group.id),
    );
    const yields = on.some(
      (s) =>
        entersYield(sheet, s) || (s.each ?? []).some((part) => entersYield(sheet, s, part.action)),
    );
    const findings: Finding[] = [];
    const turned = turnedBy(sheet, group);
    if (!yields && group.reuse === 'reuse' && turned >= TURNS_FAR)
      findings.push(
        finding(
          'oneTimeUseHinted',
          'warning',
          place,
          text.turnedAndReused({ group: group.name, degrees: turned }),
        ),
      );
    if (yields && group.reuse === 'reuse')
      findings.push(
        finding('oneTimeUseHinted', 'warning', place, text.oneTimeUseHinted({ group: group.name })),
      );
    if (group.reuse === 'reuse-if-within-length' && group.maxLengthMm === undefined)
      findings.push(
        finding('reuseLimitMissing', 'error', place, text.reuseLimitMissing({ group: group.name })),
      );
    return findings;
  });
}
