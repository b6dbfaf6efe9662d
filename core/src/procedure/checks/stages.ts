import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import { convert, units, type Quantity, type UnitKind } from '../../quantity';
import type { Sheet } from '../sheet';
import type { Action, Part, Stage, Target } from '../stage';
import { isByFastener, seatsOf } from '../stageFacts';
import { checkAngles } from './angles';
import { finding, type Finding } from './finding';
import { stageLists } from './names';

const text = textsOf('checks', checks);

/** What each stage needs for itself, and what has happened to its fasteners before it. */
export function checkStages(sheet: Sheet): Finding[] {
  return [
    ...stageLists(sheet).flatMap(([place, stages]) =>
      stages.flatMap((s, i) => checkOne(s, `${place}.${i}`)),
    ),
    ...checkHistory(sheet),
    ...checkTrials(sheet),
    ...checkAngles(sheet),
  ];
}

const UNIT_OF: Partial<Record<Action, UnitKind>> = {
  torque: 'torque',
  check: 'torque',
  angle: 'angle',
  stretch: 'length',
  draw: 'length',
};
const NEEDS_TARGET: readonly Action[] = ['torque', 'check', 'angle', 'stretch'];
function checkOne(stage: Stage, place: string): Finding[] {
  return [
    ...checkTarget(stage, stage.name, place),
    ...(stage.each ?? []).flatMap((part, i) =>
      checkTarget(part, `${stage.name}, ${part.id}`, `${place}.each.${i}`),
    ),
    ...checkFields(stage, place),
    ...checkRepeat(stage, place),
  ];
}

function checkTarget(of: Stage | Part, name: string, place: string): Finding[] {
  const { target, action } = of;
  if (!target)
    return NEEDS_TARGET.includes(action)
      ? [finding('targetMissing', 'error', `${place}.target`, text.targetMissing({ name }))]
      : [];
  const kind = UNIT_OF[action];
  const got = units[target.unit].kind;
  if (kind && got !== kind)
    return [
      finding(
        'targetUnit',
        'error',
        `${place}.target.unit`,
        text.targetUnit({ name, kind: text.kinds[kind], unit: units[target.unit].symbol }),
      ),
    ];
  const tolerance = of.tolerance;
  if (tolerance && 'value' in target && tolerance.minus >= target.value)
    return [finding('rangeEmpty', 'error', `${place}.tolerance`, text.toleranceTooWide({ name }))];
  return 'value' in target ? [] : checkRange(target, name, place);
}

function checkRange(
  { min, max, recommended: value }: Extract<Target, { min: number }>,
  name: string,
  place: string,
): Finding[] {
  if (min >= max)
    return [finding('rangeEmpty', 'error', `${place}.target`, text.rangeEmpty({ name, min, max }))];
  if (value === undefined || (value >= min && value <= max)) return [];
  return [
    finding(
      'rangeEmpty',
      'error',
      `${place}.target.recommended`,
      text.recommendedOutside({ name, value, min, max }),
    ),
  ];
}

function checkFields(stage: Stage, place: string): Finding[] {
  const missing = (field: string, what: string): Finding =>
    finding(
      'targetMissing',
      'error',
      `${place}.${field}`,
      text.fieldMissing({ name: stage.name, what }),
    );
  if (stage.action === 'loosen' && !stage.loosen) return [missing('loosen', text.fields.loosen)];
  if (stage.action === 'wait' && !stage.waitUntil)
    return [missing('waitUntil', text.fields.waitUntil)];
  if (stage.action === 'each' && !stage.each) return [missing('each', text.fields.each)];
  return [];
}

function checkRepeat(stage: Stage, place: string): Finding[] {
  const kind = stage.repeat?.kind ?? 'once';
  const wrong = (message: string): Finding[] => [
    finding('repeatWrong', 'error', `${place}.repeat`, message),
  ];
  if (stage.action === 'drawDown' && kind !== 'untilSeated')
    return wrong(text.repeatSeated({ name: stage.name }));
  if (kind === 'untilSeated' && stage.action !== 'drawDown')
    return wrong(text.repeatOnlyDraw({ name: stage.name }));
  if (kind === 'untilSettled' && stage.action !== 'torque' && stage.action !== 'check')
    return wrong(text.repeatOnlyTorque({ name: stage.name }));
  const repeatable: readonly Action[] = ['torque', 'check', 'loosen', 'runDown', 'handStart'];
  if (kind === 'passes' && !repeatable.includes(stage.action))
    return wrong(text.repeatNot({ name: stage.name }));
  return [];
}

/** One thing done to one fastener, from any stage or part. */
interface Deed {
  stage: Stage;
  place: string;
  action: Action;
  target: Quantity | null;
}

const low = (of: Stage | Part): Quantity | null =>
  of.target
    ? 'value' in of.target
      ? of.target
      : { value: of.target.min, unit: of.target.unit }
    : null;

function deedsOn(sheet: Sheet, seatId: string): Deed[] {
  return sheet.stages.flatMap((stage, index) => {
    const isOn = isByFastener(stage) || ['drawDown', 'draw'].includes(stage.action);
    if (!isOn || !seatsOf(sheet, stage).some((s) => s.id === seatId)) return [];
    const place = `stages.${index}`;
    if (stage.each)
      return stage.each.map((part, k) => ({
        stage,
        place: `${place}.each.${k}`,
        action: part.action,
        target: low(part),
      }));
    return [{ stage, place, action: stage.action, target: low(stage) }];
  });
}

/** Read fastener by fastener; a finding that several share is given once. */
function checkHistory(sheet: Sheet): Finding[] {
  const found = new Map<string, Finding>();
  for (const seat of sheet.seats) {
    for (const f of historyOf(deedsOn(sheet, seat.id), seat.id))
      if (!found.has(`${f.code} ${f.place}`)) found.set(`${f.code} ${f.place}`, f);
  }
  return [...found.values()];
}

const isBelow = (target: Quantity | null, earlier: Quantity | null): boolean =>
  target !== null &&
  earlier !== null &&
  isTorqueUnit(target) &&
  isTorqueUnit(earlier) &&
  convert(target, 'N.m') < convert(earlier, 'N.m') - 1e-9;

function historyOf(deeds: readonly Deed[], seat: string): Finding[] {
  const findings: Finding[] = [];
  let torque: Quantity | null = null;
  let tight = false;
  /** In its hole at all: by hand is enough to be taken out again. */
  let isIn = false;
  let angled = false;
  for (const { stage, place, action, target } of deeds) {
    const goesIn = action !== 'loosen' && action !== 'check';
    const say = (
      code: Finding['code'],
      field: string,
      message: string,
      level: Finding['level'] = 'error',
    ): void => void findings.push(finding(code, level, `${place}.${field}`, message));
    if (action === 'torque' || action === 'stretch') {
      if (action === 'torque' && isBelow(target, torque))
        say('torqueBelowEarlier', 'target', text.torqueBelowEarlier({ name: stage.name, seat }));
      // Turned by an angle it holds more than any torque that led there: no wrench can reach it.
      else if (action === 'torque' && angled)
        say(
          'torqueAfterAngle',
          'action',
          text.torqueAfterAngle({ name: stage.name, seat }),
          'warning',
        );
      torque = action === 'torque' ? target : torque;
      tight = true;
    } else if (action === 'angle') {
      if (!tight)
        say('angleWithoutTorque', 'action', text.angleWithoutTorque({ name: stage.name, seat }));
      angled = true;
    } else if (action === 'check' && angled && !stage.finalTorque) {
      say('checkAfterAngle', 'action', text.checkAfterAngle({ name: stage.name, seat }));
    } else if (action === 'loosen') {
      if (!isIn) say('loosenNothing', 'action', text.loosenNothing({ name: stage.name, seat }));
      if (stage.loosen !== 'crack') torque = null;
      angled = false;
    } else if (action === 'swap') {
      torque = null;
      tight = false;
      angled = false;
    } else if (action === 'drawDown' || action === 'draw') {
      tight = true;
    }
    isIn ||= goesIn;
  }
  return [...findings, ...endsSlack(deeds, seat), ...neverTight(deeds, seat)];
}

/** Only started by hand or run down: a stud may stay so, a bolt may not. */
function neverTight(deeds: readonly Deed[], seat: string): Finding[] {
  const last = deeds.at(-1);
  if (!last || deeds.some((d) => !['handStart', 'runDown'].includes(d.action))) return [];
  const place = `${last.place}.action`;
  return [
    finding('neverTight', 'warning', place, text.neverTight({ name: last.stage.name, seat })),
  ];
}

/** Whatever comes loose is tightened again before the procedure ends. */
function endsSlack(deeds: readonly Deed[], seat: string): Finding[] {
  const at = deeds.findLastIndex((d) => d.action === 'loosen' || d.action === 'swap');
  const last = deeds[at];
  if (
    !last ||
    deeds.slice(at + 1).some((d) => ['torque', 'angle', 'stretch', 'drawDown'].includes(d.action))
  )
    return [];
  return [
    finding(
      'endsSlack',
      'error',
      `${last.place}.action`,
      text.endsSlack({ name: last.stage.name, seat }),
    ),
  ];
}

const isTorqueUnit = (q: Quantity): boolean => units[q.unit].kind === 'torque';

/**
 * What is tightened for a trial is opened again before it counts; a part seated with the old bolt
 * gets the new one.
 */
function checkTrials(sheet: Sheet): Finding[] {
  const findings: Finding[] = [];
  const last = sheet.stages.findLastIndex(
    (s) => s.trial && ['torque', 'angle', 'stretch', 'each'].includes(s.action),
  );
  if (last >= 0) {
    const opened = sheet.stages.some((s, i) => i > last && s.trial && s.action === 'loosen');
    if (!opened)
      findings.push(
        finding(
          'trialNotOpened',
          'error',
          `stages.${last}.trial`,
          text.trialNotOpened({ name: sheet.stages[last]?.name ?? '' }),
        ),
      );
  }
  const old = sheet.stages.findIndex((s) => s.with === 'oldPartAsTool');
  if (old >= 0 && !sheet.stages.some((s, i) => i > old && s.action === 'swap')) {
    findings.push(
      finding(
        'oldPartStays',
        'error',
        `stages.${old}.with`,
        text.oldPartStays({ name: sheet.stages[old]?.name ?? '' }),
      ),
    );
  }
  return findings;
}
