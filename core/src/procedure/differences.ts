import { textsOf } from '../language';
import { sheetDifferences } from '../language/en/sheetDifferences';
import { convert, plainText, units } from '../quantity';
import { frictionBands } from '../thread';
import { yieldTorqueNm, finalTorques } from './checks';
import type { Group, Sheet } from './sheet';
import type { Stage } from './stage';
import { actsOf, orderOf, seatsOf } from './stageFacts';
import { preloadAfterTurn } from './usedOnce';
import { compoundText, REUSE_TEXT } from './words';

const text = textsOf('sheetDifferences', sheetDifferences);

/** How much a difference matters to the fastener. */
export interface Difference {
  what:
    'value' | 'stage' | 'order' | 'fastener' | 'reuse' | 'compound' | 'applies' | 'step' | 'part';
  isGrave: boolean;
  text: string;
}

/** A ratio as people say it: a share up to half as much again, else how many times. */
function times(ratio: number): string {
  if (ratio >= 1.5) return text.timesHigher({ times: ratio.toFixed(1) });
  const percent = Math.round(Math.abs(ratio - 1) * 100);
  return ratio >= 1 ? text.higher({ percent }) : text.lower({ percent });
}

/**
 * What another revision, or another source for the same joint, does differently, in a technician's
 * words: stage by stage, and what its final value would do to the fastener.
 * @param mine the sheet that stands
 * @param other the one that is compared with it: an earlier revision, or a conflicting source
 */
export function differences(mine: Sheet, other: Sheet): Difference[] {
  return [
    ...finalValues(mine, other),
    ...stages(mine, other),
    ...orders(mine, other),
    ...fasteners(mine, other),
    ...steps(mine, other),
    ...parts(mine, other),
    ...where(mine, other),
  ];
}

const difference = (what: Difference['what'], text: string, isGrave = false): Difference => ({
  what,
  isGrave,
  text,
});

/** What goes in besides, and what holds the crank. */
function parts(mine: Sheet, other: Sheet): Difference[] {
  const said = (s: Sheet): string[] =>
    (s.parts ?? []).map(
      (p) => `${p.count} × ${p.name}${p.need === 'consider' ? text.consider : ''}`,
    );
  const [own, theirs] = [said(mine), said(other)];
  return [
    ...own
      .filter((p) => !theirs.includes(p))
      .map((p) =>
        difference('part', text.onlyIn({ part: p, revision: mine.revision, title: mine.title })),
      ),
    ...theirs
      .filter((p) => !own.includes(p))
      .map((p) =>
        difference('part', text.onlyIn({ part: p, revision: other.revision, title: other.title })),
      ),
  ];
}

/**
 * The one that matters most: how far apart the last torques are, and whether the other one passes
 * yield; with an angle, the clamp load.
 */
function finalValues(mine: Sheet, other: Sheet): Difference[] {
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

const valueText = (s: Stage): string =>
  s.target
    ? 'value' in s.target
      ? plainText(s.target)
      : `${s.target.min}–${plainText({ value: s.target.max, unit: s.target.unit })}`
    : s.name;

function stages(mine: Sheet, other: Sheet): Difference[] {
  const found: Difference[] = [];
  for (const stage of mine.stages) {
    const theirs = other.stages.find((s) => s.id === stage.id && s.action === stage.action);
    if (!theirs)
      found.push(
        difference(
          'stage',
          text.stageMissing({ stage: stage.name }),
          stage.action === 'angle' || stage.action === 'torque',
        ),
      );
    else if (valueText(theirs) !== valueText(stage))
      found.push(
        difference(
          'value',
          text.stageValue({
            stage: stage.name,
            value: valueText(theirs),
            ratio: ratioText(stage, theirs),
          }),
        ),
      );
    if (theirs && theirs.repeat?.kind !== stage.repeat?.kind)
      found.push(
        difference(
          'stage',
          text.stageRepeat({
            stage: stage.name,
            there: repeatText(theirs),
            here: repeatText(stage),
          }),
        ),
      );
  }
  for (const stage of other.stages)
    if (!mine.stages.some((s) => s.id === stage.id && s.action === stage.action))
      found.push(difference('stage', text.stageOnly({ stage: stage.name })));
  return found;
}

function ratioText(stage: Stage, theirs: Stage): string {
  if (!stage.target || !theirs.target || !('value' in stage.target) || !('value' in theirs.target))
    return '';
  if (units[stage.target.unit].kind !== units[theirs.target.unit].kind) return '';
  return `, ${times(convert(theirs.target, stage.target.unit) / stage.target.value)}`;
}

const repeatText = (s: Stage): string =>
  s.repeat?.kind === 'untilSettled'
    ? text.repeat.untilSettled
    : s.repeat?.kind === 'passes'
      ? text.repeat.passes({ n: s.repeat.passes })
      : s.repeat?.kind === 'untilSeated'
        ? text.repeat.untilSeated
        : text.repeat.once;

function orders(mine: Sheet, other: Sheet): Difference[] {
  const orderText = (s: Sheet): string =>
    s.stages
      .map((stage, i) =>
        seatsOf(s, stage).length > 1 && stage.action !== 'hold' ? orderOf(s, i).join(' ') : '',
      )
      .join('|');
  const isSamePlace =
    mine.seats.length === other.seats.length &&
    mine.seats.every((s) => other.seats.some((o) => o.id === s.id));
  if (!isSamePlace)
    return [
      difference(
        'fastener',
        text.count({ there: other.seats.length, here: mine.seats.length }),
        true,
      ),
    ];
  return orderText(mine) === orderText(other) ? [] : [difference('order', text.order)];
}

function fasteners(mine: Sheet, other: Sheet): Difference[] {
  return mine.groups.flatMap((g) => {
    const theirs = other.groups.find((o) => o.id === g.id);
    if (!theirs) return [difference('fastener', text.groupMissing({ group: g.name }), true)];
    const thread = (x: Group): string =>
      `${x.thread.designation} × ${x.thread.pitchMm}, ${x.propertyClass}`;
    const coats = (x: Group): string => x.compounds.map(compoundText).join(', ') || text.nothing;
    return [
      ...(thread(g) === thread(theirs)
        ? []
        : [
            difference(
              'fastener',
              text.groupDiffers({ group: g.name, there: thread(theirs), here: thread(g) }),
              true,
            ),
          ]),
      ...(g.head === theirs.head
        ? []
        : [
            difference(
              'fastener',
              text.headDiffers({ group: g.name, there: theirs.head, here: g.head }),
            ),
          ]),
      ...(g.reuse === theirs.reuse
        ? []
        : [
            difference(
              'reuse',
              text.groupDiffers({
                group: g.name,
                there: REUSE_TEXT[theirs.reuse],
                here: REUSE_TEXT[g.reuse],
              }),
              true,
            ),
          ]),
      ...(coats(g) === coats(theirs)
        ? []
        : [
            difference(
              'compound',
              text.groupDiffers({ group: g.name, there: coats(theirs), here: coats(g) }),
              true,
            ),
          ]),
    ];
  });
}

function steps(mine: Sheet, other: Sheet): Difference[] {
  const missing = mine.steps.filter((s) => !other.steps.some((o) => o.id === s.id));
  const added = other.steps.filter((s) => !mine.steps.some((o) => o.id === s.id));
  const changed = mine.steps.filter((s) =>
    other.steps.some((o) => o.id === s.id && JSON.stringify(o) !== JSON.stringify(s)),
  );
  const apart =
    JSON.stringify(mine.takeApart) === JSON.stringify(other.takeApart)
      ? []
      : [difference('step', text.takeApart)];
  return [
    ...apart,
    ...changed.map((s) => difference('step', text.stepChanged({ step: s.text }), isJudged(s))),
    ...missing.map((s) => difference('step', text.stepMissing({ step: s.text }))),
    ...added.map((s) => difference('step', text.stepOnly({ step: s.text }))),
  ];
}

/** What decides whether the work goes on. */
const isJudged = (s: Sheet['steps'][number]): boolean =>
  s.limits !== undefined || s.measure !== undefined || s.answers !== undefined;

function where(mine: Sheet, other: Sheet): Difference[] {
  const words = ({ applies: a }: Sheet): string =>
    [
      a.builtFrom ? text.from({ day: a.builtFrom }) : '',
      a.builtTo ? text.until({ day: a.builtTo }) : '',
      a.hardware.origin === 'kit'
        ? text.kitBy({ maker: a.hardware.maker ?? text.anotherMaker })
        : '',
    ]
      .filter(Boolean)
      .join(', ') || text.any;
  return words(mine) === words(other)
    ? []
    : [difference('applies', text.applies({ there: words(other), here: words(mine) }))];
}
