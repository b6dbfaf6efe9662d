import { demoSheet, headSheet } from '@stennet/core/testing';
import { builtOutside, isToldApart } from './WhichOne';

const [date, bolt] = headSheet.tellApart.map((t) => t.question) as [string, string];

test('one look is enough, none is not, and one that leads elsewhere stops it', () => {
  expect(isToldApart(headSheet, {})).toBe(false);
  expect(isToldApart(headSheet, { [bolt]: 'hex head, M10' })).toBe(true);
  expect(isToldApart(headSheet, { [bolt]: '12-point head, M11' })).toBe(false);
  expect(isToldApart(headSheet, { [bolt]: 'hex head, M10', [date]: 'before February 2016' })).toBe(
    false,
  );
  expect(isToldApart(demoSheet('bv48-damper'), {})).toBe(true);
});

test('a vehicle built outside the sheet’s dates is noticed', () => {
  expect(builtOutside(headSheet, '2015-12-31')).toBe(true);
  expect(builtOutside(headSheet, '2016-02-01')).toBe(false);
  expect(builtOutside(demoSheet('brenna-2-0-head-early'), '2016-02-01')).toBe(true);
  expect(builtOutside(headSheet, undefined)).toBe(false);
});
