import type { Sheet } from '../sheet';
import { seatsNamed } from '../stageFacts';
import { finding, type Finding } from './finding';

/** Compounds, clocks, and things that must come out again. */
export function checkSteps(sheet: Sheet): Finding[] {
  return [...compoundTwice(sheet), ...sealantClock(sheet), ...neverOut(sheet), ...clockBackwards(sheet)];
}

function compoundTwice(sheet: Sheet): Finding[] {
  const inGroups = sheet.groups.flatMap((group, i) =>
    group.compounds.flatMap((c, k) => {
      const earlier = group.compounds.findIndex((o) => o.place === c.place && o.kind !== 'engine oil');
      const isPlus = group.compounds.some((o) => o.place === c.place && o.preApplied === 'plus');
      return earlier >= 0 && earlier < k && !isPlus
        ? [finding('compoundTwice', 'error', `groups.${i}.compounds.${k}`, `${group.name}: two compounds on the ${c.place}. Only one of them can be right.`)]
        : [];
    }),
  );
  const inSteps = sheet.steps.flatMap((step, i) => {
    const { compound } = step;
    if (!compound || !step.on) return [];
    const groups = new Set(seatsNamed(sheet, step.on).map((s) => s.group));
    const clash = sheet.groups.find((g) => groups.has(g.id) && g.compounds.some((c) => c.place === compound.place && c.preApplied === 'only'));
    return clash
      ? [
          finding(
            'compoundTwice',
            'error',
            `steps.${i}.compound`,
            `${clash.name} come with ${compound.kind === 'thread-locker' ? 'locker' : 'compound'} on the ${compound.place}; add none.`,
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
    return hasClock ? [] : [finding('sealantClock', 'warning', `steps.${i}`, `Gasket sealant without a time: give its open time, or say that none is published.`)];
  });
}

function neverOut(sheet: Sheet): Finding[] {
  const out = new Set(sheet.steps.map((s) => s.takesOut));
  return sheet.steps.flatMap((step, i) =>
    step.putsIn !== undefined && !out.has(step.putsIn) ? [finding('neverOut', 'error', `steps.${i}.putsIn`, `“${step.putsIn}” is put in for the job and never taken out.`)] : [],
  );
}

function clockBackwards(sheet: Sheet): Finding[] {
  const at = (p: { step: string } | { stage: string }): number => {
    if ('stage' in p) return sheet.stages.findIndex((s) => s.id === p.stage) + 0.4;
    const due = sheet.steps.find((s) => s.id === p.step)?.due;
    const byDo = sheet.stages.findIndex((s) => s.action === 'do' && s.step === p.step);
    if (byDo >= 0) return byDo;
    const index = due && 'stage' in due ? sheet.stages.findIndex((s) => s.id === due.stage) : 0;
    return due?.when === 'after' ? index + 0.5 : index - 0.1;
  };
  return sheet.clocks.flatMap((c, i) => (at(c.from) > at(c.to) ? [finding('clockBackwards', 'error', `clocks.${i}`, `The clock “${c.text}” ends before it begins.`)] : []));
}
