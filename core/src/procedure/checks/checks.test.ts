import { checkSheet, finalTorques, FINDING_CODES } from '.';
import { convert, units, type UnitCode } from '../../quantity';
import { demoSheets } from '../../testing';
import { mutations } from '../../testing/brokenSheets';
import type { Stage, Target } from '../stage';

test.each(mutations.map((m) => [m[0], m[3], m] as const))(
  '%s: %s',
  (_code, _sentence, [code, level, place, message, sheet, others]) => {
    expect(checkSheet(sheet, others)).toContainEqual({ code, level, place, message });
  },
);

test('every check has its broken sheet', () => {
  expect([...new Set(mutations.map((m) => m[0]))].sort()).toEqual([...FINDING_CODES].sort());
});

/** The stages as a page in one unit would print them, typed under another. */
function typedWrong(stages: readonly Stage[], page: UnitCode, typed: UnitCode): Stage[] {
  const wrong = <T extends Target | undefined>(t: T): T => {
    if (!t || units[t.unit].kind !== 'torque') return t;
    const as = (value: number): number => convert({ value, unit: t.unit }, page);
    return (
      'value' in t
        ? { value: as(t.value), unit: typed }
        : { min: as(t.min), max: as(t.max), unit: typed }
    ) as T;
  };
  return stages.map((s) => ({
    ...s,
    ...(s.target ? { target: wrong(s.target) } : {}),
    ...(s.each
      ? { each: s.each.map((p) => (p.target ? { ...p, target: wrong(p.target) } : p)) }
      : {}),
  }));
}

test.each([
  ['N.m', '[in_i].[lbf_av]'],
  ['[ft_i].[lbf_av]', '[in_i].[lbf_av]'],
  ['[in_i].[lbf_av]', '[ft_i].[lbf_av]'],
  ['[in_i].[lbf_av]', 'N.m'],
] as const)('every demo sheet printed in %s and typed as %s is questioned', (page, typed) => {
  for (const sheet of demoSheets) {
    if (finalTorques(sheet).length === 0) continue;
    const wrong = { ...sheet, stages: typedWrong(sheet.stages, page, typed) };
    const asked = checkSheet(wrong).filter(
      (f) => f.level !== 'note' && ['anotherUnit', 'implausible'].includes(f.code),
    );
    expect([sheet.id, asked.length > 0]).toEqual([sheet.id, true]);
  }
});
