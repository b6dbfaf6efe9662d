import { demoSheet, Technician, refusal, atStage, pullDue, holdDue } from '../testing';

test('re-tightening after heat is a run of its own: fasteners as they were left, not moving is no suspicion', () => {
  const sheet = demoSheet('qs16-head');
  const t = new Technician(sheet, undefined, {
    part: 'hot',
    fasteners: sheet.seats.map((s) => `${s.id}/${s.id === '3n' ? 2 : 1}`),
  });
  const due = t.until((d) => d.kind === 'pull');
  expect(due).toMatchObject({ stage: { id: 'again' }, mustTurn: false, pass: 1 });
  t.step({ moved: false });
  t.finish();
  expect(t.state.progress.seats['3n']?.life).toBe(2);
});

test('a stretch is measured, or its published torque is chosen beforehand', () => {
  const sheet = demoSheet('bv48-rods');
  const t = new Technician(sheet);
  const choose = t.until((d) => d.kind === 'chooseValue');
  expect(choose).toMatchObject({ stage: { id: 'stretch' } });
  const byTorque = t.clone();
  expect(
    refusal(() => t.do('valueChosen', { stage: 'stretch', value: { value: 0.2, unit: 'mm' } })),
  ).toBe('VALUE_OUT_OF_RANGE');
  t.until(atStage('stretch'));
  t.pull(pullDue(t.state), { reading: { value: 0.1, unit: 'mm' } });
  expect(pullDue(t.state)).toMatchObject({ fastener: 'A/1' });
  t.pull(pullDue(t.state), { reading: { value: 0.19, unit: 'mm' } });
  expect(holdDue(t.state)).toMatchObject({
    hold: { kind: 'above', fastener: 'A/1' },
    ways: ['redo', 'replace', 'pending'],
  });
  byTorque.do('valueChosen', { stage: 'stretch', value: { value: 52, unit: '[ft_i].[lbf_av]' } });
  byTorque.until(atStage('stretch'));
  expect(pullDue(byTorque.state)).toMatchObject({
    task: { action: 'torque' },
    target: { value: 52 },
    outcomes: ['clicked'],
  });
});
