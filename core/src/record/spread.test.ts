import { spreadsOf, type RunRecord } from '.';

const stage = { id: 'final', name: '62 N·m', on: ['all'], action: 'torque' };
const record = (values: readonly (number | null)[], unit = 'N.m') =>
  ({
    sheet: {
      seats: values.map((_v, i) => ({ id: `${i + 1}`, position: `${i + 1}`, group: 'g' })),
      stages: [stage],
      groups: [{ id: 'g' }],
    },
    stages: [stage],
    fasteners: values.map((value, i) => ({
      fastener: `${i + 1}/1`,
      seat: `${i + 1}`,
      replaced: false,
      pulls: [{ stage: 'final', undone: false, onBolt: value === null ? null : { value, unit } }],
    })),
  }) as unknown as RunRecord;

test('only what a tool measured is spread out, from six on; the one that stands out is named', () => {
  expect(spreadsOf(record([62, 62.1, 61.9, 62, 62.2]))).toEqual([]);
  expect(spreadsOf(record([null, null, null, null, null, null, null]))).toEqual([]);
  const [spread] = spreadsOf(record([62.1, 63, 61.8, 62.6, 64.2, 62.9, 61.5, 63.3, 62.2, 48]));
  expect(spread).toMatchObject({ odd: ['10'], low: 48, high: 64.2, unit: 'N.m' });
  expect(
    spreadsOf(record([62.1, 63, 61.8, 62.6, 64.2, 62.9, 61.5, 63.3, 62.2, 62.7]))[0]?.odd,
  ).toEqual([]);
});
