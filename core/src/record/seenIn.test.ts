import { demoSheet, Technician } from '../testing';
import { measuredIn, runRecord, seenIn } from '.';

const strip = (width: number) => ({
  what: 'strip' as const,
  instrument: 'gauge strip',
  unit: 'mm' as const,
  uncertainty: 0,
  limits: {},
  rows: [{ row: 'strip', values: [width, width] }],
  strip: [
    [1, 0.076],
    [2, 0.036],
  ] as [number, number][],
});

test('what was measured: the last of each step, and nothing of what was taken back', () => {
  const t = new Technician(demoSheet('cv30-rods'));
  t.until((d) => d.kind === 'step' && d.step.id === 'clearance');
  t.do('stepDone', { step: 'clearance', measured: strip(1.05) });
  t.do('stepDone', { step: 'clearance', measured: strip(1.5) });
  expect(measuredIn(t.state)).toEqual([{ step: 'clearance', row: 'strip', mm: expect.closeTo(0.056, 9) }]);
  expect(seenIn(t.state).filter((s) => s.kind === 'measured')).toHaveLength(2);
  t.do('undone', { event: t.state.events.at(-1)?.id ?? '' });
  expect(measuredIn(t.state)).toEqual([{ step: 'clearance', row: 'strip', mm: expect.closeTo(0.074, 9) }]);
});

test('a temperature is no length to compare', () => {
  const t = new Technician(demoSheet('qn47-adapter'));
  t.finish();
  for (const m of measuredIn(t.state)) expect(m.mm).toBeGreaterThan(0);
});

test('attempts, mishaps, notes and bags stand on the record in the order they happened, plain steps do not', () => {
  const sheet = demoSheet('bv48-exhaust');
  const t = new Technician(sheet, undefined, { part: 'takeApart', instance: 'left' });
  t.until((d) => d.kind === 'pull' && d.stage.id === 'off');
  t.step({ fails: 'broke' });
  const fastener = t.state.events.at(-1)?.type === 'failed' ? (Object.values(t.state.progress.seats).find((s) => s.failed)?.seat ?? '') : '';
  t.do('stepDone', { step: 'grip', answer: 'didNot', fasteners: [`${fastener}/1`], note: 'grips slip' });
  t.do('stepDone', { step: 'drill', answer: 'worked', fasteners: [`${fastener}/1`] });
  t.finish();
  const seen = runRecord(sheet, t.state.events).seen;
  expect(seen.map((s) => s.kind)).toEqual(['failed', 'tried', 'tried', 'bagged']);
  expect(seen[0]).toMatchObject({ failure: 'broke', fasteners: [`${fastener}/1`] });
  expect(seen[1]).toMatchObject({ what: expect.stringMatching(/grip the stump/), result: 'didNot', note: 'grips slip' });
  expect(seen[3]).toMatchObject({ what: 'Board A', fasteners: expect.arrayContaining(['1/1', '8/1']) });
});
