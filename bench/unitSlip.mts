// How often a unit that was typed wrong is questioned: node --import tsx bench/unitSlip.mts [SEED]
// Made-up sheets, torques as a page prints them. Each is typed right, and with each slip of the unit
// on all of its torques; counted is what the checks ask about it.
import fc from 'fast-check';
import { checkSheet, yieldTorqueNm, type Sheet, type Stage } from '../core/src/procedure';
import { units, type UnitCode } from '../core/src/quantity';
import { headSheet } from '../core/src/testing';

const SHEETS = 2400;
const SIZES = ['M6', 'M7', 'M8', 'M10', 'M11', 'M12', 'M14'] as const;
const NM: UnitCode = 'N.m';
const FT: UnitCode = '[ft_i].[lbf_av]';
const IN: UnitCode = '[in_i].[lbf_av]';

interface Plan {
  size: (typeof SIZES)[number];
  cls: string;
  /** Of yield torque: what it ends at, or what an angle follows. */
  share: number;
  angles: number;
  steps: number;
}
const plans = fc.record<Plan>({
  size: fc.constantFrom(...SIZES),
  cls: fc.constantFrom('8.8', '10.9', '12.9'),
  share: fc.double({ min: 0.5, max: 0.95, noNaN: true }),
  angles: fc.integer({ min: 0, max: 2 }),
  steps: fc.integer({ min: 1, max: 3 }),
});

/** As a page prints it: whole above ten, halves below. */
const printed = (value: number): number =>
  value >= 10 ? Math.round(value) : Math.max(0.5, Math.round(value * 2) / 2);

/** The sheet in the unit that its page prints. */
function sheetOf(plan: Plan, unit: UnitCode): Sheet {
  const groups = headSheet.groups.map((g) => ({
    ...g,
    thread: { ...g.thread, designation: plan.size, pitchMm: PITCH[plan.size] },
    propertyClass: plan.cls,
  }));
  const [group] = groups;
  const top = ((group && yieldTorqueNm(group)) ?? 0) * plan.share * (plan.angles > 0 ? 0.5 : 1);
  const torques = Array.from({ length: plan.steps }, (_, i): Stage => {
    const nm = (top * (i + 1)) / plan.steps;
    const value = printed(nm / units[unit].toBase);
    return { id: `t${i}`, name: `t${i}`, on: ['all'], action: 'torque', target: { value, unit } };
  });
  const angles = Array.from({ length: plan.angles }, (_, i): Stage => {
    const target = { value: 90, unit: 'deg' as const };
    return { id: `a${i}`, name: `a${i}`, on: ['all'], action: 'angle', target };
  });
  return { ...headSheet, groups, stages: [...torques, ...angles] };
}
const PITCH = { M6: 1, M7: 1, M8: 1.25, M10: 1.5, M11: 1.5, M12: 1.75, M14: 2 } as const;

/** The same numbers under another unit. */
const typedAs = (sheet: Sheet, unit: UnitCode): Sheet => ({
  ...sheet,
  stages: sheet.stages.map((s) =>
    s.action === 'torque' && s.target ? { ...s, target: { ...s.target, unit } } : s,
  ),
});

const isAsked = (sheet: Sheet, others: readonly Sheet[] = []): boolean =>
  checkSheet(sheet, others).some((f) => f.level !== 'note' && ASKS.includes(f.code));
const ASKS: readonly string[] = ['anotherUnit', 'implausible', 'unitFactor', 'unitUnlike'];
const isNoted = (sheet: Sheet): boolean =>
  checkSheet(sheet).some((f) => f.level === 'note' && ASKS.includes(f.code));

const seed = Number(process.argv[2] ?? 20261130);
const all = fc.sample(plans, { numRuns: SHEETS, seed });
const share = (of: (plan: Plan, at: number) => boolean): string =>
  `${((100 * all.filter(of).length) / all.length).toFixed(1)}%`;
const slip = (from: UnitCode, to: UnitCode) => (plan: Plan) =>
  isAsked(typedAs(sheetOf(plan, from), to));
const withEarlier = (from: UnitCode, to: UnitCode) => (plan: Plan) => {
  const right = sheetOf(plan, from);
  return isAsked(typedAs(right, to), [{ ...right, revision: 'A' }]);
};

/** Another joint of the same engine, with a torque of its own, printed as the maker prints. */
const sibling = (plan: Plan, unit: UnitCode): Sheet => ({
  ...sheetOf({ ...plan, size: plan.size === 'M8' ? 'M10' : 'M8', share: 1.4 - plan.share }, unit),
  id: 'sibling',
});
const besideSibling = (from: UnitCode, to: UnitCode) => (plan: Plan) =>
  isAsked(typedAs(sheetOf(plan, from), to), [sibling(plan, from)]);
/** A dozen joints with this thread and class, of other makers, all in the one unit. */
const library = (plan: Plan, at: number, unit: UnitCode): Sheet[] =>
  Array.from({ length: 12 }, (_, i) => {
    const share = 0.5 + 0.45 * (((at + 1) * (i + 7) * 0.6180339887) % 1);
    return {
      ...sheetOf({ ...plan, share }, unit),
      id: `other-${i}`,
      applies: { ...headSheet.applies, maker: `Maker ${i}`, engine: `E${i}` },
    };
  });
/** And with a quarter of them in the other one. */
const mixed = (plan: Plan, at: number, unit: UnitCode): Sheet[] =>
  library(plan, at, unit).map((s, i) => (i % 4 === 0 ? typedAs(s, unit === NM ? FT : NM) : s));
const inLibrary = (from: UnitCode, to: UnitCode, of: typeof library) => (plan: Plan, at: number) =>
  isAsked(typedAs(sheetOf(plan, from), to), of(plan, at, from));

console.log(`${SHEETS} made-up sheets, seed ${seed}`);
console.table({
  'right, asked about': share((p) => isAsked(sheetOf(p, NM))),
  'right, with a note': share((p) => isNoted(sheetOf(p, NM))),
  'lbf·in typed as lbf·ft (12 up)': share(slip(IN, FT)),
  'lbf·ft typed as lbf·in (12 down)': share(slip(FT, IN)),
  'lbf·in typed as N·m (8.9 up)': share(slip(IN, NM)),
  'N·m typed as lbf·in (8.9 down)': share(slip(NM, IN)),
  'N·m typed as lbf·ft (1.36 up), alone': share(slip(NM, FT)),
  'N·m typed as lbf·ft, beside an earlier revision': share(withEarlier(NM, FT)),
  'lbf·ft typed as N·m, beside an earlier revision': share(withEarlier(FT, NM)),
  'N·m typed as lbf·ft, beside another joint of the engine': share(besideSibling(NM, FT)),
  'lbf·ft typed as N·m, beside another joint of the engine': share(besideSibling(FT, NM)),
  'right, beside another joint of the engine': share((p) =>
    isAsked(sheetOf(p, NM), [sibling(p, NM)]),
  ),
  'N·m typed as lbf·ft, same thread and class': share(inLibrary(NM, FT, library)),
  'lbf·ft typed as N·m, same thread and class': share(inLibrary(FT, NM, library)),
  'N·m typed as lbf·ft, library of both units': share(inLibrary(NM, FT, mixed)),
  'right, same thread and class': share(inLibrary(NM, NM, library)),
  'right, library of both units': share(inLibrary(NM, NM, mixed)),
});
