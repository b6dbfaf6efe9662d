import type { Sheet } from '../procedure';
import { indexes, type Maker } from './slipMaker';

// Slips beside the stages: fasteners, compounds, steps, clocks, cylinders, dates.

export const stretchBoltReused: Maker = (sheet) => {
  const at = sheet.groups.findIndex((g) => g.reuse === 'replace');
  const turns = sheet.stages.some(
    (s) => s.action === 'angle' || s.each?.some((p) => p.action === 'angle'),
  );
  if (at < 0 || !turns) return null;
  const groups = sheet.groups.map((g, i) => (i === at ? { ...g, reuse: 'reuse' as const } : g));
  return { sheet: { ...sheet, groups }, places: [`groups.${at}`] };
};
export const classSlip: Maker = (sheet) => {
  const groups = sheet.groups.map((g, i) => (i === 0 ? { ...g, propertyClass: '109' } : g));
  return { sheet: { ...sheet, groups }, places: ['stages', 'groups'] };
};
export const sizeSlip: Maker = (sheet) => {
  const from = sheet.groups[0]?.thread.designation ?? '';
  const to = { M12: 'M6', M11: 'M6', M10: 'M6', M8: 'M5', M14: 'M8' }[from];
  if (!to) return null;
  const pitchMm = to === 'M8' ? 1.25 : to === 'M6' ? 1 : 0.8;
  const groups = sheet.groups.map((g, i) =>
    i === 0 ? { ...g, thread: { designation: to, pitchMm } } : g,
  );
  return { sheet: { ...sheet, groups }, places: ['stages', 'groups'] };
};
export const compoundForgotten: Maker = (sheet) => {
  const at = sheet.groups.findIndex((g) => g.compounds.length > 0);
  const bare = (g: Sheet['groups'][number], i: number) => (i === at ? { ...g, compounds: [] } : g);
  return at < 0 || sheet.steps.some((s) => s.compound)
    ? null
    : { sheet: { ...sheet, groups: sheet.groups.map(bare) }, places: [`groups.${at}`] };
};
export const compoundTwice: Maker = (sheet) => {
  const at = sheet.groups.findIndex((g) => g.compounds.some((c) => c.kind !== 'engine oil'));
  const more = (g: Sheet['groups'][number]) => {
    const [c] = g.compounds.filter((one) => one.kind !== 'engine oil');
    return c
      ? { ...g, compounds: [...g.compounds, { kind: 'moly paste' as const, place: c.place }] }
      : g;
  };
  return at < 0 || sheet.groups[at]?.compounds.some((c) => c.preApplied === 'plus')
    ? null
    : {
        sheet: { ...sheet, groups: sheet.groups.map((g, i) => (i === at ? more(g) : g)) },
        places: [`groups.${at}`],
      };
};
export const toolLeftIn: Maker = (sheet) => {
  const at = sheet.steps.findIndex((s) => s.takesOut);
  return at < 0
    ? null
    : { sheet: { ...sheet, steps: sheet.steps.filter((_s, i) => i !== at) }, places: ['steps'] };
};
export const toolNeverIn: Maker = (sheet) => {
  const at = sheet.steps.findIndex((s) => s.putsIn);
  return at < 0
    ? null
    : { sheet: { ...sheet, steps: sheet.steps.filter((_s, i) => i !== at) }, places: ['steps'] };
};
export const clockTurned: Maker = (sheet) => {
  const [clock] = sheet.clocks;
  return clock
    ? {
        sheet: {
          ...sheet,
          clocks: [{ ...clock, from: clock.to, to: clock.from }, ...sheet.clocks.slice(1)],
        },
        places: ['clocks.0', 'steps'],
      }
    : null;
};
export const pairUnknown: Maker = (sheet) => {
  const pairs = sheet.instances?.pairs;
  if (!sheet.instances || !pairs?.[0]) return null;
  const instances = {
    ...sheet.instances,
    pairs: [['9', pairs[0][1]] as [string, string], ...pairs.slice(1)],
  };
  return { sheet: { ...sheet, instances }, places: ['instances.pairs.0'] };
};
export const crankUnknown: Maker = (sheet) => {
  if (!sheet.instances?.crankDeg) return null;
  const crankDeg = { ...sheet.instances.crankDeg, '11': 90 };
  return {
    sheet: { ...sheet, instances: { ...sheet.instances, crankDeg } },
    places: ['instances.crankDeg'],
  };
};
export const backNowhere: Maker = (sheet) => {
  const at = sheet.steps.findIndex((s) => s.ifNot);
  return at < 0
    ? null
    : {
        sheet: {
          ...sheet,
          steps: sheet.steps.map((s, i) => (i === at ? { ...s, ifNot: 'nowhere' } : s)),
        },
        places: [`steps.${at}`],
      };
};
export const stepAtUnknownStage: Maker = (sheet, pick) => {
  const at = pick(indexes(sheet.steps, (s) => 'stage' in s.due));
  const step = sheet.steps[at ?? -1];
  return step && 'stage' in step.due
    ? {
        sheet: {
          ...sheet,
          steps: sheet.steps.map((s) =>
            s === step && 'stage' in s.due ? { ...s, due: { ...s.due, stage: 'stage-99' } } : s,
          ),
        },
        places: [`steps.${at}`],
      }
    : null;
};
export const answerElsewhere: Maker = (sheet) =>
  sheet.tellApart.length === 0
    ? null
    : {
        sheet: {
          ...sheet,
          tellApart: sheet.tellApart.map((t) => ({
            ...t,
            answers: t.answers.map((a) =>
              a.sheet === sheet.id ? { ...a, sheet: `${a.sheet}-x` } : a,
            ),
          })),
        },
        places: ['tellApart'],
      };
export const datesTurned: Maker = (sheet) => ({
  sheet: {
    ...sheet,
    applies: { ...sheet.applies, builtFrom: '2021-03-01', builtTo: '2012-03-01' },
  },
  places: ['applies.builtTo'],
});
export const limitTurned: Maker = (sheet) => {
  const at = sheet.steps.findIndex(
    (s) => s.measure?.limits.min !== undefined && s.measure.limits.max !== undefined,
  );
  const measure = sheet.steps[at]?.measure;
  if (!measure) return null;
  const limits = { ...measure.limits, min: measure.limits.max ?? 0, max: measure.limits.min ?? 0 };
  return {
    sheet: {
      ...sheet,
      steps: sheet.steps.map((s, i) => (i === at ? { ...s, measure: { ...measure, limits } } : s)),
    },
    places: [`steps.${at}`],
  };
};
export const oilInCoolant: Maker = (sheet) => {
  const at = sheet.groups.findIndex((g) =>
    g.compounds.some((c) => c.kind === 'engine oil' && c.place === 'threads'),
  );
  const groups = sheet.groups.map((g, i) => (i === at ? { ...g, behind: 'coolant passage' } : g));
  return at < 0 ? null : { sheet: { ...sheet, groups }, places: [`groups.${at}`] };
};
