import { brokenSizes, threadOf } from '.';

test('sizes by hand: M8, M10 fine, an inch thread', () => {
  expect(brokenSizes(threadOf('M8'))).toEqual({
    centreMm: 2.4,
    extractorMm: 4.8,
    largestMm: 6.4,
    tapDrillMm: 6.8,
    next: { designation: 'M10', tapDrillMm: 8.5 },
    stopMm: null,
  });
  expect(brokenSizes(threadOf('M10x1.25')).tapDrillMm).toBe(8.8);
  expect(brokenSizes(threadOf('3/8-16'))).toMatchObject({ next: null, tapDrillMm: 7.9 });
});

test('no drill reaches the thread, and each is larger than the one before', () => {
  for (const name of ['M5', 'M6', 'M8', 'M10', 'M12', 'M14', 'M16', '5/16-18', '1/2-13']) {
    const thread = threadOf(name);
    const s = brokenSizes(thread);
    expect(s.centreMm).toBeLessThan(s.extractorMm);
    expect(s.extractorMm).toBeLessThan(s.largestMm);
    expect(s.largestMm).toBeLessThan(thread.d1Mm);
    expect(s.tapDrillMm).toBeLessThan(thread.dMm);
  }
});

test('the stop is what sits in the part; where lengths contradict each other none is claimed', () => {
  expect(brokenSizes(threadOf('M8'), 35, 12.04).stopMm).toBe(22.9);
  expect(brokenSizes(threadOf('M8'), 10, 12).stopMm).toBeNull();
  expect(brokenSizes(threadOf('M8'), 35).stopMm).toBeNull();
});
