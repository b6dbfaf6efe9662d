import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import type { Sheet } from '../sheet';
import { seatsNamed } from '../stageFacts';
import { measureKinds } from '../../measure';
import { compoundKindText, compoundPlaceText } from '../words';
import { finding, type Finding } from './finding';
import { momentOf } from './moments';
import { FRICTION_CONDITIONS, type FrictionCondition } from '../../thread';

const text = textsOf('checks', checks);

/** Compounds, clocks, and things that must come out again. */
export function checkSteps(sheet: Sheet): Finding[] {
  return [
    ...compoundMissing(sheet),
    ...compoundTwice(sheet),
    ...sealantClock(sheet),
    ...neverOut(sheet),
    ...outBeforeIn(sheet),
    ...oilIntoCoolant(sheet),
    ...clockBackwards(sheet),
    ...backNowhere(sheet),
    ...measureLimits(sheet),
    ...compoundBeforeTrial(sheet),
  ];
}

/** Conditions that something has to be put on for. */
const WET: readonly FrictionCondition[] = FRICTION_CONDITIONS.filter(
  (c) => c !== 'dry' && c !== 'platedWaxed',
);

/**
 * Published for oiled fasteners, and no one is told to oil them: at the same torque they clamp a
 * third less.
 */
function compoundMissing(sheet: Sheet): Finding[] {
  return sheet.groups.flatMap((group, i) => {
    const byStep = sheet.steps.some(
      (s) =>
        s.compound && (!s.on || seatsNamed(sheet, s.on).some((seat) => seat.group === group.id)),
    );
    if (!WET.includes(group.frictionCondition) || group.compounds.length > 0 || byStep) return [];
    return [
      finding(
        'compoundMissing',
        'warning',
        `groups.${i}.compounds`,
        text.compoundMissing({ group: group.name, friction: group.friction }),
      ),
    ];
  });
}

/** Oil seals nothing: a hole that ends in coolant wants sealant on its threads. */
function oilIntoCoolant(sheet: Sheet): Finding[] {
  return sheet.groups.flatMap((group, i) => {
    const isOiled = group.compounds.some((c) => c.kind === 'engine oil' && c.place === 'threads');
    if (!isOiled || !COOLANT.test(group.behind ?? '')) return [];
    return [
      finding(
        'oilIntoCoolant',
        'warning',
        `groups.${i}.compounds`,
        text.oilIntoCoolant({ group: group.name }),
      ),
    ];
  });
}
/** As a lead writes it, in either language. */
const COOLANT = /coolant|water|refrigerante|agua/i;

function compoundTwice(sheet: Sheet): Finding[] {
  const inGroups = sheet.groups.flatMap((group, i) =>
    group.compounds.flatMap((c, k) => {
      const earlier = group.compounds.findIndex(
        (o) => o.place === c.place && o.kind !== 'engine oil',
      );
      const isPlus = group.compounds.some((o) => o.place === c.place && o.preApplied === 'plus');
      return earlier >= 0 && earlier < k && !isPlus
        ? [
            finding(
              'compoundTwice',
              'error',
              `groups.${i}.compounds.${k}`,
              text.compoundTwice({ group: group.name, place: compoundPlaceText(c.place) }),
            ),
          ]
        : [];
    }),
  );
  const inSteps = sheet.steps.flatMap((step, i) => {
    const { compound } = step;
    if (!compound || !step.on) return [];
    const groups = new Set(seatsNamed(sheet, step.on).map((s) => s.group));
    const clash = sheet.groups.find(
      (g) =>
        groups.has(g.id) &&
        g.compounds.some((c) => c.place === compound.place && c.preApplied === 'only'),
    );
    return clash
      ? [
          finding(
            'compoundTwice',
            'error',
            `steps.${i}.compound`,
            text.compoundOnTop({
              group: clash.name,
              place: compoundPlaceText(compound.place),
            }),
          ),
        ]
      : [];
  });
  return [...inGroups, ...inSteps];
}

function sealantClock(sheet: Sheet): Finding[] {
  return sheet.steps.flatMap((step, i) => {
    if (step.compound?.kind !== 'gasket sealant' || step.noClockPublished) return [];
    const hasClock = sheet.clocks.some((c) => 'step' in c.from && c.from.step === step.id);
    return hasClock ? [] : [finding('sealantClock', 'warning', `steps.${i}`, text.sealantClock)];
  });
}

function neverOut(sheet: Sheet): Finding[] {
  const out = new Set(sheet.steps.map((s) => s.takesOut));
  return sheet.steps.flatMap((step, i) =>
    step.putsIn !== undefined && !out.has(step.putsIn)
      ? [finding('neverOut', 'error', `steps.${i}.putsIn`, text.neverOut({ what: step.putsIn }))]
      : [],
  );
}

/** Taken out before it was put in, or never put in at all. */
function outBeforeIn(sheet: Sheet): Finding[] {
  return sheet.steps.flatMap((step, i) => {
    const what = step.takesOut;
    if (what === undefined) return [];
    const into = sheet.steps.find((s) => s.putsIn === what);
    if (into && !(momentOf(sheet, { step: into.id }) > momentOf(sheet, { step: step.id })))
      return [];
    return [finding('outBeforeIn', 'error', `steps.${i}.takesOut`, text.outBeforeIn({ what }))];
  });
}

function clockBackwards(sheet: Sheet): Finding[] {
  return sheet.clocks.flatMap((c, i) =>
    momentOf(sheet, c.from) >= momentOf(sheet, c.to)
      ? [finding('clockBackwards', 'error', `clocks.${i}`, text.clockBackwards({ what: c.text }))]
      : [],
  );
}

/**
 * What hardens, seals or sticks goes on once the trial has been opened and cleaned away; oil may be
 * part of the trial.
 */
function compoundBeforeTrial(sheet: Sheet): Finding[] {
  const lastTrial = sheet.stages.findLastIndex((s) => s.trial);
  return sheet.steps.flatMap((step, i) => {
    const { compound, due } = step;
    if (
      !compound ||
      lastTrial < 0 ||
      !('stage' in due) ||
      ['engine oil', 'assembly lubricant'].includes(compound.kind)
    )
      return [];
    const at = sheet.stages.findIndex((s) => s.id === due.stage);
    const isTooEarly = at >= 0 && (due.when === 'before' ? at <= lastTrial : at < lastTrial);
    return isTooEarly
      ? [
          finding(
            'compoundBeforeTrial',
            'error',
            `steps.${i}.due`,
            text.compoundBeforeTrial({ step: step.text, kind: compoundKindText(compound.kind) }),
          ),
        ]
      : [];
  });
}

/** An answer that leads back needs a stage that is done by then. */
function backNowhere(sheet: Sheet): Finding[] {
  return sheet.steps.flatMap((step, i) => {
    const leadsBack = step.answers?.some((a) => a.then === 'back') ?? false;
    if (!leadsBack && step.ifNot === undefined) return [];
    const list =
      [sheet.stages, sheet.takeApart].find(
        (stages) =>
          'stage' in step.due && stages.some((s) => 'stage' in step.due && s.id === step.due.stage),
      ) ?? sheet.stages;
    const at =
      'stage' in step.due
        ? list.findIndex((s) => 'stage' in step.due && s.id === step.due.stage) +
          (step.due.when === 'after' ? 1 : 0)
        : 0;
    const byDo = sheet.stages.findIndex((s) => s.action === 'do' && s.step === step.id);
    const to = list.findIndex((s) => s.id === step.ifNot);
    const isFine = leadsBack && to >= 0 && to < Math.max(at, byDo);
    if (isFine) return [];
    const why = !leadsBack ? text.back.noAnswer : to < 0 ? text.back.noStage : text.back.notDone;
    return [
      finding(
        'backNowhere',
        'error',
        `steps.${i}.ifNot`,
        text.backNowhere({ step: step.text, why }),
      ),
    ];
  });
}

/** What is measured place by place is judged by the limits of its kind, all of them. */
function measureLimits(sheet: Sheet): Finding[] {
  return sheet.steps.flatMap((step, i) => {
    if (!step.measure) return [];
    const kind = measureKinds[step.measure.what];
    const missing = kind.limits
      .filter((l) => step.measure?.limits[l.key] === undefined)
      .map((l) => l.label.toLowerCase());
    return missing.length > 0
      ? [
          finding(
            'measureLimits',
            'error',
            `steps.${i}.measure`,
            text.measureLimits({ step: step.text, what: missing.join('; ') }),
          ),
        ]
      : [];
  });
}
