import { textsOf } from '../language';
import { sheetDifferences } from '../language/en/sheetDifferences';
import { convert, plainText, units } from '../quantity';
import type { Group, Sheet } from './sheet';
import type { Stage } from './stage';
import { orderOf, seatsOf } from './stageFacts';
import { difference, lastValues, times, type Difference } from './lastValues';
import { compoundText, REUSE_TEXT } from './words';

const text = textsOf('sheetDifferences', sheetDifferences);

/**
 * What another revision, or another source for the same joint, does differently, in a technician's
 * words: stage by stage, and what its final value would do to the fastener.
 * @param mine the sheet that stands
 * @param other the one that is compared with it: an earlier revision, or a conflicting source
 */
export function differences(mine: Sheet, other: Sheet): Difference[] {
  return [
    ...lastValues(mine, other),
    ...stages(mine, other),
    ...orders(mine, other),
    ...fasteners(mine, other),
    ...steps(mine, other),
    ...parts(mine, other),
    ...where(mine, other),
  ];
}

/** Other parts, and what holds the crank. */
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
