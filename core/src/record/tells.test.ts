import { headSheet, Technician, demoSheet } from '../testing';
import { own } from '../testing/aRecord';
import { pullRows, PULL_COLUMNS } from './pullTable';
import { recordDocument } from './recordDocument';
import { runRecord } from './runRecord';
import { cellText } from './words';
import { wrenchUses } from './wrenchUse';

describe('what a record tells', () => {
  const record = runRecord(headSheet, own);
  const format = {
    quantity: (q: { value: number; unit: string }) => ({
      number: `${q.value}`,
      unit: q.unit,
      text: `${q.value} ${q.unit}`,
    }),
    angle: (deg: number) => `+${deg}°`,
  };

  test('a click is a click, an angle an angle, and nothing stands where nothing was done', () => {
    const [bolt] = record.fasteners;
    if (!bolt) throw new Error('no bolt');
    expect(record.stages.map((s) => cellText(record, bolt, s, format))).toEqual([
      'held, 2 passes',
      'click',
      '+75°',
      '+65°',
    ]);
    const begun = runRecord(headSheet, own.slice(0, 3));
    expect(cellText(begun, begun.fasteners[0] as never, begun.stages[0] as never, format)).toBe(
      '·',
    );
  });

  test('confirmed together is said so, with the wrench that was set', () => {
    const other = new Technician(demoSheet('qn47-intake'));
    other.until((d) => d.kind === 'pull');
    other.step({ together: 4 });
    const told = runRecord(other.state.sheet, other.state.events);
    const pulls = told.fasteners.flatMap((f) => f.pulls);
    expect(pulls.map((p) => p.method)).toEqual(
      Array.from({ length: 4 }, () => 'confirmedTogether'),
    );
    expect(new Set(pulls.map((p) => p.wrenchId)).size).toBe(1);
    expect(wrenchUses(pulls)).toMatchObject([{ pulls: 4, readings: 0, ratio: null }]);
    expect(
      cellText(
        told,
        told.fasteners.find((f) => f.pulls.length > 0) as never,
        told.stages[0] as never,
        format,
      ),
    ).toMatch(/, together$/);
  });

  test('a table has as many cells in each row as there are columns', () => {
    const rows = pullRows(recordDocument(headSheet, own, {}), {
      order: '1',
      vehicle: 'v',
      joint: 'j',
    });
    expect(rows).toHaveLength(record.order.length + record.done.length);
    for (const row of rows) expect(row).toHaveLength(PULL_COLUMNS.length);
  });

  test('how readings of a wrench lay against what was aimed at; what was taken back does not count, unlike units are brought together', () => {
    const pull = (value: number, unit: string, undone = false) =>
      ({
        wrenchId: 'w',
        deviceTime: `2026-11-24T08:00:0${value % 10}.000Z`,
        undone,
        target: { value: 20, unit: 'N.m' },
        onBolt: { value, unit },
      }) as never;
    expect(wrenchUses([pull(22, 'N.m'), pull(18, 'N.m'), pull(99, 'N.m', true)])).toMatchObject([
      { wrench: 'w', pulls: 2, readings: 2, ratio: 1 },
    ]);
    expect(wrenchUses([pull(177.0149, '[in_i].[lbf_av]')])[0]?.ratio).toBeCloseTo(1, 4);
  });
});
