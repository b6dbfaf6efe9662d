import { next } from '../run';
import { atStage, demoSheet, headSheet, pullDue, Technician, testId, WRENCHES } from '../testing';
import { deviationText, measuredIn, runRecord, wrenchUses } from '.';

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
  expect(measuredIn(t.state)).toEqual([
    { step: 'clearance', row: 'strip', mm: expect.closeTo(0.056, 9) },
  ]);
  expect(
    runRecord(t.state.sheet, t.state.events).seen.filter((s) => s.kind === 'measured'),
  ).toHaveLength(2);
  t.do('undone', { event: t.state.events.at(-1)?.id ?? '' });
  expect(measuredIn(t.state)).toEqual([
    { step: 'clearance', row: 'strip', mm: expect.closeTo(0.074, 9) },
  ]);
});

test('a temperature is no length to compare', () => {
  const t = new Technician(demoSheet('qn47-adapter'));
  t.finish();
  for (const m of measuredIn(t.state)) expect(m.mm).toBeGreaterThan(0);
});

test('attempts, mishaps, notes and bags are on the record in the order they happened, plain steps do not', () => {
  const sheet = demoSheet('bv48-exhaust');
  const t = new Technician(sheet, undefined, { part: 'takeApart', instance: 'left' });
  t.until((d) => d.kind === 'pull' && d.stage.id === 'off');
  t.step({ fails: 'broke' });
  const fastener =
    t.state.events.at(-1)?.type === 'failed'
      ? (Object.values(t.state.progress.seats).find((s) => s.failed)?.seat ?? '')
      : '';
  t.do('stepDone', {
    step: 'grip',
    answer: 'didNot',
    fasteners: [`${fastener}/1`],
    note: 'grips slip',
  });
  t.do('stepDone', { step: 'drill', answer: 'worked', fasteners: [`${fastener}/1`] });
  t.finish();
  const seen = runRecord(sheet, t.state.events).seen;
  expect(seen.map((s) => s.kind)).toEqual(['failed', 'tried', 'tried', 'bagged']);
  expect(seen[0]).toMatchObject({ failure: 'broke', fasteners: [`${fastener}/1`] });
  expect(seen[1]).toMatchObject({
    what: expect.stringMatching(/grip the stud/),
    result: 'didNot',
    note: 'grips slip',
  });
  expect(seen[3]).toMatchObject({
    what: 'Board A',
    fasteners: expect.arrayContaining(['1/1', '8/1']),
  });
});

test('every confirmed step, hold, round, gap, value, tool and fastener is on the record', () => {
  const plate = demoSheet('tf25-pressure-plate');
  const t = new Technician(plate);
  t.finish();
  const { done } = runRecord(plate, t.state.events);
  const confirmed = [...t.state.events].flatMap((e) =>
    e.type === 'stepDone' ? [e.payload.step, ...(e.payload.also ?? [])] : [],
  );
  const texts = done.filter((d) => d.kind === 'step' || d.kind === 'seen').map((d) => d.what);
  for (const id of confirmed) expect(texts).toContain(plate.steps.find((s) => s.id === id)?.text);
  expect(done.filter((d) => d.kind === 'round').map((d) => d.result)).toEqual([
    '1, not seated yet',
    '2, not seated yet',
    '3, seated',
  ]);
  expect(done).toContainEqual(expect.objectContaining({ kind: 'hold', result: 'passed' }));
  expect(done.filter((d) => d.kind === 'tool').length).toBeGreaterThan(0);
});

test('a crowfoot stands with its wrench; what the bolt got is the target, not what the scale said', () => {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'chooseTool' && d.stage.id === 'snug');
  const [, large] = WRENCHES;
  const wrench = {
    ...large!,
    kind: 'digital' as const,
    lengthMm: 400,
    adapter: { tool: testId(9), name: 'Crowfoot 16 mm', offsetMm: 40, angleDeg: 0 },
  };
  t.do('wrenchChosen', { stage: 'snug', method: 'digital', wrench });
  t.step();
  const due = pullDue(t.state);
  t.pull(due, { reading: { value: due.inHand?.value ?? 0, unit: 'N.m' } });
  const record = runRecord(headSheet, t.state.events);
  const pull = record.fasteners.flatMap((f) => f.pulls).find((p) => p.stage === 'snug');
  expect(pull).toMatchObject({
    wrench: 'large + Crowfoot 16 mm',
    reading: { value: 45 },
    onBolt: { value: 49.5 },
  });
  expect(
    wrenchUses(record.fasteners.flatMap((f) => f.pulls)).find((u) => u.wrench === wrench.id)?.ratio,
  ).toBeCloseTo(1, 1);
});

test('the sheet’s own change from old to new is no deviation', () => {
  const t = new Technician(demoSheet('bv48-damper'));
  t.finish();
  const record = runRecord(t.state.sheet, t.state.events);
  expect(record.deviations).toEqual([]);
  expect(record.done.filter((d) => d.kind === 'replaced')).toHaveLength(1);
});

test('nor is the change after a trial on the old bolts', () => {
  const rods = demoSheet('ob20-rod-caps');
  const t = new Technician(rods);
  for (let due = next(t.state); due.kind !== 'finish'; due = next(t.state)) {
    if (due.kind === 'fit')
      t.do('fitted', {
        fasteners: due.fasteners.map((fastener) => ({ fastener, condition: 'ownHole' as const })),
      });
    else t.step();
  }
  const record = runRecord(rods, t.state.events);
  expect(record.done.filter((d) => d.kind === 'replaced')).toHaveLength(2);
  expect(record.deviations).toEqual([]);
});

test('a lead’s decision names who decided', () => {
  const t = new Technician(headSheet);
  t.until(atStage('second-angle'));
  const short = t.step({ short: true });
  t.lead({ kind: 'allowance', about: { deviation: short?.id ?? '' }, decision: 'allow' });
  const record = runRecord(headSheet, t.state.events);
  expect(deviationText(record, record.deviations[0]!, { [testId(6)]: 'Ines Corte' })).toMatch(
    /approved by Ines Corte$/,
  );
});
