import { isInchThread, threadOf } from '.';

test('inch threads as people write them, whole, mixed and numbered sizes', () => {
  const read = (text: string) => {
    const { name, series, dMm, pitchMm } = threadOf(text);
    return [name, series, Number(dMm.toFixed(3)), Number((25.4 / pitchMm).toFixed(6))];
  };
  expect(read('3/8-16')).toEqual(['3/8-16', 'UNC', 9.525, 16]);
  expect(read('7/8-9 UNC')).toEqual(['7/8-9', 'UNC', 22.225, 9]);
  expect(read('1-8')).toEqual(['1-8', 'UNC', 25.4, 8]);
  expect(read('1 1/8-12')).toEqual(['1 1/8-12', 'UNF', 28.575, 12]);
  expect(read('1-1/8-12')).toEqual(['1 1/8-12', 'UNF', 28.575, 12]);
  expect(read('#10-24')).toEqual(['#10-24', 'UNC', 4.826, 24]);
  expect(read('# 8 - 36')).toEqual(['#8-36', 'UNF', 4.166, 36]);
});

test('metric threads from M3 to M36, coarse where no pitch is said', () => {
  const pitch = (size: string): number => threadOf(size).pitchMm;
  expect(['M3', 'M8', 'M27', 'M30', 'M36'].map(pitch)).toEqual([0.5, 1.25, 3, 3.5, 4]);
  // Stress areas as tables print them, within half a percent.
  for (const [size, mm2] of [
    ['M3', 5.03],
    ['M30', 561],
    ['M36', 817],
  ] as const)
    expect(Math.abs(threadOf(size).stressAreaMm2 / mm2 - 1)).toBeLessThan(0.005);
});

test('what is no thread is refused, and only inch threads say their own pitch', () => {
  for (const wrong of ['10', '1-', '-8', '#-24', '1/0-8', 'M', 'W 3/8', '8 1-8'])
    expect(() => threadOf(wrong)).toThrow(expect.objectContaining({ code: 'THREAD_UNKNOWN' }));
  expect(['1-8', '#10-24', '1 1/8-12', 'M10', 'M10x1'].map(isInchThread)).toEqual([
    true,
    true,
    true,
    false,
    false,
  ]);
});
