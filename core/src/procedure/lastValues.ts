import { textsOf } from '../language';
import { sheetDifferences } from '../language/en/sheetDifferences';
import { frictionBands } from '../thread';
import { finalTorques, yieldTorqueNm } from './checks';
import type { Sheet } from './sheet';
import { actsOf, seatsOf } from './stageFacts';
import { preloadAfterTurn } from './usedOnce';

const text = textsOf('sheetDifferences', sheetDifferences);

/** How much a difference matters to the fastener. */
export interface Difference {
  what:
    'value' | 'stage' | 'order' | 'fastener' | 'reuse' | 'compound' | 'applies' | 'step' | 'part';
  isGrave: boolean;
  text: string;
}

export const difference = (
  what: Difference['what'],
  text: string,
  isGrave = false,
): Difference => ({
  what,
  isGrave,
  text,
});

/** A ratio as people say it: a share up to half as much again, else how many times. */
export function times(ratio: number): string {
  if (ratio >= 1.5) return text.timesHigher({ times: ratio.toFixed(1) });
  const percent = Math.round(Math.abs(ratio - 1) * 100);
  return ratio >= 1 ? text.higher({ percent }) : text.lower({ percent });
}

/**
 * The one that matters most: how far apart the last torques are, and whether the other one passes
 * yield; with an angle, the clamp load.
 */
export function lastValues(mine: Sheet, other: Sheet): Difference[] {
  return finalTorques(other).flatMap((theirs) => {
    const own = finalTorques(mine).find((f) => f.group === theirs.group);
    if (!own) return [];
    const byAngle = afterAngle(mine, other, theirs.group);
    if (byAngle) return byAngle;
    if (Math.abs(theirs.nm / own.nm - 1) < 1e-9) return [];
    const ratio = theirs.nm / own.nm;
    const yieldNm =
      mine.groups.flatMap((g) =>
        `${g.thread.designation} ${g.propertyClass}` === theirs.group ? [yieldTorqueNm(g)] : [],
      )[0] ?? null;
    const passes = yieldNm !== null && theirs.nm > yieldNm;
    const effect = passes ? text.effect.yields : ratio < 0.6 ? text.effect.slack : '';
    return [
      difference(
        'value',
        text.lastTorque({
          group: theirs.group,
          title: other.title,
          revision: other.revision,
          ratio: times(ratio),
          effect,
        }),
        passes || ratio > 1.25 || ratio < 0.8,
      ),
    ];
  });
}

/**
 * Where an angle follows, the last torque alone says little: the clamp load after it is compared.
 * Null where both end with a torque.
 */
function afterAngle(mine: Sheet, other: Sheet, name: string): Difference[] | null {
  const loadOf = (sheet: Sheet): { turns: boolean; kn: number | null } => {
    const group = sheet.groups.find((g) => `${g.thread.designation} ${g.propertyClass}` === name);
    const turns = sheet.stages.some(
      (s) =>
        !s.trial &&
        actsOf(s).some((a) => a.action === 'angle') &&
        seatsOf(sheet, s).some((seat) => seat.group === group?.id),
    );
    return {
      turns,
      kn: group
        ? preloadAfterTurn(sheet, group, frictionBands[group.frictionCondition].nominal)
        : null,
    };
  };
  const [own, theirs] = [loadOf(mine), loadOf(other)];
  if (!own.turns && !theirs.turns) return null;
  if (own.turns !== theirs.turns) {
    const which = theirs.turns ? other : mine;
    return [
      difference(
        'value',
        text.onlyAngle({ group: name, title: which.title, revision: which.revision }),
        true,
      ),
    ];
  }
  if (own.kn === null || theirs.kn === null)
    return [difference('value', text.noGrip({ group: name }))];
  const change = theirs.kn / own.kn - 1;
  if (Math.abs(change) < 0.005) return [];
  const percent = Math.round(Math.abs(change) * 100);
  return [
    difference(
      'value',
      (change > 0 ? text.clampMore : text.clampLess)({
        group: name,
        title: other.title,
        revision: other.revision,
        percent,
      }),
      Math.abs(change) > 0.2,
    ),
  ];
}
