import { checkSheet, FINDING_CODES } from '.';
import { mutations } from '../../testing/brokenSheets';

test.each(mutations.map((m) => [m[0], m[3], m] as const))(
  '%s: %s',
  (_code, _sentence, [code, level, place, message, sheet, others]) => {
    expect(checkSheet(sheet, others)).toContainEqual({ code, level, place, message });
  },
);

test('every check has its broken sheet', () => {
  expect([...new Set(mutations.map((m) => m[0]))].sort()).toEqual([...FINDING_CODES].sort());
});
