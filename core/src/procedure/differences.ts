import { convert, plainText, units } from '../quantity';
import { frictionBands } from '../thread';
import { yieldTorqueNm, finalTorques } from './checks';
import type { Group, Sheet } from './sheet';
import type { Stage } from './stage';
import { actsOf, orderOf, seatsOf } from './stageFacts';
import { preloadAfterTurn } from './usedOnce';

/** How much a difference matters to the fastener. */
export interface Difference {
  what:
    'value' | 'stage' | 'order' | 'fastener' | 'reuse' | 'compound' | 'applies' | 'step' | 'part';
  isGrave: boolean;
  text: string;
}

const times = (ratio: number): string =>
  ratio >= 1
    ? `${ratio.toFixed(ratio < 1.2 ? 2 : 1)} times as high`
    : `${(1 / ratio).toFixed(1 / ratio < 1.2 ? 2 : 1)} times lower`;

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
      (p) => `${p.count} × ${p.name}${p.need === 'consider' ? ', worth replacing' : ''}`,
    );
  const [own, theirs] = [said(mine), said(other)];
  return [
    ...own
      .filter((p) => !theirs.includes(p))
      .map((p) => difference('part', `${p}: only in rev ${mine.revision} of “${mine.title}”.`)),
    ...theirs
      .filter((p) => !own.includes(p))
      .map((p) => difference('part', `${p}: only in rev ${other.revision} of “${other.title}”.`)),
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
    const effect = passes
      ? '; passes yield at ordinary friction'
      : ratio < 0.6
        ? '; the joint stays slack'
        : '';
    return [
      difference(
        'value',
        `${theirs.group}: the last torque of “${other.title}” (rev ${other.revision}) is ${times(ratio)}${effect}.`,
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
        `${name}: only “${which.title}” (rev ${which.revision}) finishes by angle. The last torques cannot be compared.`,
        true,
      ),
    ];
  }
  if (own.kn === null || theirs.kn === null)
    return [
      difference(
        'value',
        `${name}: both finish by angle; without a grip length the clamp loads cannot be compared.`,
      ),
    ];
  const change = theirs.kn / own.kn - 1;
  if (Math.abs(change) < 0.005) return [];
  const percent = `${Math.round(Math.abs(change) * 100)}%`;
  return [
    difference(
      'value',
      `${name}: after the angle “${other.title}” (rev ${other.revision}) clamps about ${percent} ${change > 0 ? 'more' : 'less'}.`,
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
          `“${stage.name}” is not there.`,
          stage.action === 'angle' || stage.action === 'torque',
        ),
      );
    else if (valueText(theirs) !== valueText(stage))
      found.push(
        difference(
          'value',
          `“${stage.name}” is ${valueText(theirs)} there${ratioText(stage, theirs)}.`,
        ),
      );
    if (theirs && theirs.repeat?.kind !== stage.repeat?.kind)
      found.push(
        difference(
          'stage',
          `“${stage.name}” goes round ${repeatText(theirs)} there, ${repeatText(stage)} here.`,
        ),
      );
  }
  for (const stage of other.stages)
    if (!mine.stages.some((s) => s.id === stage.id && s.action === stage.action))
      found.push(difference('stage', `“${stage.name}” is only there.`));
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
    ? 'until settled'
    : s.repeat?.kind === 'passes'
      ? `${s.repeat.passes} times`
      : s.repeat?.kind === 'untilSeated'
        ? 'until seated'
        : 'once';

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
        `${other.seats.length} fasteners there, ${mine.seats.length} here.`,
        true,
      ),
    ];
  return orderText(mine) === orderText(other)
    ? []
    : [difference('order', 'The order is another one.')];
}

function fasteners(mine: Sheet, other: Sheet): Difference[] {
  return mine.groups.flatMap((g) => {
    const theirs = other.groups.find((o) => o.id === g.id);
    if (!theirs) return [difference('fastener', `${g.name} are not there.`, true)];
    const thread = (x: Group): string =>
      `${x.thread.designation} × ${x.thread.pitchMm}, ${x.propertyClass}`;
    const coats = (x: Group): string =>
      x.compounds
        .map((c) => `${c.kind}${c.strength ? ` (${c.strength})` : ''} on ${c.place}`)
        .join(', ') || 'nothing';
    return [
      ...(thread(g) === thread(theirs)
        ? []
        : [difference('fastener', `${g.name}: ${thread(theirs)} there, ${thread(g)} here.`, true)]),
      ...(g.head === theirs.head
        ? []
        : [difference('fastener', `${g.name}: ${theirs.head} head there, ${g.head} here.`)]),
      ...(g.reuse === theirs.reuse
        ? []
        : [
            difference(
              'reuse',
              `${g.name}: ${REUSE_WORDS[theirs.reuse]} there, ${REUSE_WORDS[g.reuse]} here.`,
              true,
            ),
          ]),
      ...(coats(g) === coats(theirs)
        ? []
        : [difference('compound', `${g.name}: ${coats(theirs)} there, ${coats(g)} here.`, true)]),
    ];
  });
}

const REUSE_WORDS: Record<Group['reuse'], string> = {
  replace: 'used once',
  'reuse-in-place': 'used again in their own holes',
  'reuse-if-within-length': 'used again if short enough',
  reuse: 'used again',
};

function steps(mine: Sheet, other: Sheet): Difference[] {
  const missing = mine.steps.filter((s) => !other.steps.some((o) => o.id === s.id));
  const added = other.steps.filter((s) => !mine.steps.some((o) => o.id === s.id));
  const changed = mine.steps.filter((s) =>
    other.steps.some((o) => o.id === s.id && JSON.stringify(o) !== JSON.stringify(s)),
  );
  const apart =
    JSON.stringify(mine.takeApart) === JSON.stringify(other.takeApart)
      ? []
      : [difference('step', 'It is taken apart in another way.')];
  return [
    ...apart,
    ...changed.map((s) => difference('step', `Another one there: ${s.text}`, isJudged(s))),
    ...missing.map((s) => difference('step', `Not there: ${s.text}`)),
    ...added.map((s) => difference('step', `Only there: ${s.text}`)),
  ];
}

/** What decides whether the work goes on. */
const isJudged = (s: Sheet['steps'][number]): boolean =>
  s.limits !== undefined || s.measure !== undefined || s.answers !== undefined;

function where(mine: Sheet, other: Sheet): Difference[] {
  const words = ({ applies: a }: Sheet): string =>
    `${a.builtFrom ? `from ${a.builtFrom}` : ''}${a.builtTo ? ` to ${a.builtTo}` : ''}${a.hardware.origin === 'kit' ? `, kit by ${a.hardware.maker ?? 'another maker'}` : ''}`.trim() ||
    'all';
  return words(mine) === words(other)
    ? []
    : [difference('applies', `For ${words(other)} there, for ${words(mine)} here.`)];
}
