import { orderOf } from '../procedure';
import { atStage, demoSheet, headSheet, holdDue, pullDue, refusal, Technician } from '../testing';
import { buildSheet } from '../testing/sheetPlans';
import { next, type Next, type RunEvent } from '.';

const kinds = (events: readonly RunEvent[]): string[] =>
  events.map((e) => (e.type === 'pulled' ? `${e.payload.stage} ${e.payload.fastener}` : e.type));

describe('a trial with an angle on one-time-use bolts', () => {
  const sheet = buildSheet({
    circle: false,
    count: 4,
    reuse: 'replace',
    onReplace: 'single',
    blocks: ['trial', 'measure'],
    orders: [0, 0, 0, 0, 0, 0],
    instances: false,
  });

  test('the old bolts serve all of it: each is opened before any new one is asked for, and the strip is read first', () => {
    const t = new Technician(sheet);
    const opening = sheet.stages.find((s) => s.trial && s.action === 'loosen')?.id ?? '';
    const asked: string[] = [];
    for (let due = next(t.state); due.kind !== 'finish'; due = next(t.state)) {
      if (due.kind === 'fit')
        t.do('fitted', {
          fasteners: due.fasteners.map((fastener) => ({ fastener, condition: 'ownHole' as const })),
        });
      else t.step();
      if (due.kind === 'swap' || due.kind === 'step')
        asked.push(due.kind === 'swap' ? 'swap' : due.step.id);
      if (due.kind === 'pull' && due.stage.trial) expect(due.fastener).toMatch(/\/1$/);
    }
    const made = kinds(t.state.events.toArray());
    expect(made.indexOf('swapped')).toBeGreaterThan(made.lastIndexOf(`${opening} 4/1`));
    expect(asked.filter((a) => a === 'swap')).toHaveLength(4);
    expect(Object.values(t.state.progress.seats).map((s) => s.life)).toEqual([2, 2, 2, 2]);
  });
});

test('a lock that is out goes in again before a replacement is tightened, and out once more', () => {
  const t = new Technician(demoSheet('ob20-flywheel'));
  t.until((d) => d.kind === 'step' && d.step.takesOut === 'crank-lock');
  t.step();
  t.lead({ kind: 'note' });
  const last = [...t.state.events].findLast((e) => e.type === 'pulled');
  t.do('corrected', {
    event: last?.id ?? '',
    outcome: 'stoppedShort',
    reading: { value: 20, unit: 'deg' },
    verdict: 'short',
  });
  t.lead({ kind: 'allowance', about: { deviation: last?.id ?? '' }, decision: 'refuse' });
  const { fastener, replacement } = holdDue(t.state);
  t.do('swapped', { fastener: fastener ?? '', replacement: replacement ?? '', condition: 'new' });
  const asked: string[] = [];
  for (let due: Next = next(t.state); due.kind !== 'finish'; due = next(t.state)) {
    asked.push(
      due.kind === 'step'
        ? due.step.putsIn
          ? 'in'
          : due.step.takesOut
            ? 'out'
            : due.step.id
        : due.kind === 'pull'
          ? 'pull'
          : due.kind,
    );
    t.step();
  }
  const order = asked.filter((a) => ['in', 'pull', 'out'].includes(a));
  expect(order[0]).toBe('in');
  expect(order.at(-1)).toBe('out');
  expect(order).toContain('pull');
});

test('slackened in reverse, the next pass of slackening is in reverse too', () => {
  const sheet = demoSheet('tf25-head');
  const [first, second] = ['back1', 'back2'].map((id) =>
    orderOf(
      sheet,
      sheet.stages.findIndex((s) => s.id === id),
    ),
  );
  expect(second).toEqual(first);
  expect(second).toEqual([...orderOf(sheet, 0)].reverse());
});

test('a step that stops the work is given up only with the lead’s approval', () => {
  const t = new Technician(demoSheet('bv48-exhaust'));
  t.until((d) => d.kind === 'step' && d.step.answers?.some((a) => a.then === 'stop') === true);
  const due = next(t.state);
  if (due.kind !== 'step') throw new Error(due.kind);
  const stop = due.step.answers?.find((a) => a.then === 'stop')?.text ?? '';
  t.do('stepDone', {
    step: due.step.id,
    ...(due.step.rows
      ? { answers: due.step.rows.map((row) => ({ row, answer: stop })) }
      : { answer: stop }),
  });
  expect(refusal(() => t.do('failed', { step: due.step.id, kind: 'stepAbandoned' }))).toBe(
    'STEP_STOPS',
  );
  t.lead({ kind: 'allowance', about: { step: due.step.id }, decision: 'allow' });
  t.do('failed', { step: due.step.id, kind: 'stepAbandoned' });
  expect(t.state.progress.deviations).toMatchObject([
    { kind: 'stepAbandoned', stage: due.step.id },
  ]);
});

test('an earlier part of a bolt’s own list corrected: the angle that was turned on it is not asked for again', () => {
  const t = new Technician(demoSheet('cv30-rods'));
  t.until((d) => d.kind === 'pull' && d.task.action === 'angle');
  const { fastener } = pullDue(t.state);
  t.step();
  const torque = [...t.state.events].find(
    (e) => e.type === 'pulled' && e.payload.fastener === fastener && e.payload.stage === 'tighten',
  );
  t.do('corrected', { event: torque?.id ?? '', outcome: 'notTurned', verdict: 'inTolerance' });
  t.until((d) => d.kind === 'pull');
  expect(pullDue(t.state).fastener === fastener && pullDue(t.state).task.action === 'angle').toBe(
    false,
  );
  expect(t.state.progress.deviations).toMatchObject([{ kind: 'angleStands', fastener }]);
  t.finish();
  const angles = [...t.state.effective].filter(
    (c) =>
      c.event.type === 'pulled' &&
      c.event.payload.fastener === fastener &&
      c.event.payload.method === 'angleGauge',
  );
  expect(angles).toHaveLength(1);
});

describe('stopped short, and the lead refuses', () => {
  test('at an angle that was measured, what is missing is turned on; nothing else is asked again', () => {
    const t = new Technician(headSheet);
    t.until(atStage('second-angle'));
    const { fastener } = pullDue(t.state);
    const short = t.pull(pullDue(t.state), {
      outcome: 'stoppedShort',
      reading: { value: 50, unit: 'deg' },
    });
    t.lead({ kind: 'allowance', about: { deviation: short.id }, decision: 'refuse' });
    expect(holdDue(t.state).ways).toEqual(['turnOn', 'replace']);
    t.do('held', { hold: short.id, decision: 'turnOn' });
    expect(pullDue(t.state)).toMatchObject({ fastener, inHand: { value: 15, unit: 'deg' } });
    t.finish();
    expect(t.state.progress.seats[fastener.split('/')[0] ?? '']?.turnedDeg).toMatchObject({
      'second-angle': 65,
    });
  });

  test('after Finish too', () => {
    const t = new Technician(headSheet);
    t.until(atStage('second-angle'));
    const short = t.pull(pullDue(t.state), {
      outcome: 'stoppedShort',
      reading: { value: 50, unit: 'deg' },
    });
    t.finish();
    t.lead({ kind: 'allowance', about: { deviation: short.id }, decision: 'refuse' });
    expect(t.state.status).toBe('open');
    t.do('held', { hold: short.id, decision: 'turnOn' });
    t.until((d) => d.kind === 'pull');
    expect(pullDue(t.state).inHand).toEqual({ value: 15, unit: 'deg' });
    t.finish();
    expect(t.state.progress.deviations).toMatchObject([
      { kind: 'stoppedShort', decision: 'refuse', resolved: true },
    ]);
  });

  test('where no one knows how far it went, or an angle stands on the torque, it is not offered', () => {
    const t = new Technician(headSheet);
    t.until(atStage('second-angle'));
    const short = t.pull(pullDue(t.state), { outcome: 'stoppedShort' });
    t.lead({ kind: 'allowance', about: { deviation: short.id }, decision: 'refuse' });
    expect(holdDue(t.state).ways).toEqual(['replace']);
  });

  test('of the old bolt that seats the part: the new one is the answer to it', () => {
    const t = new Technician(demoSheet('bv48-damper'));
    t.until(atStage('seat'));
    const short = t.pull(pullDue(t.state), { outcome: 'stoppedShort' });
    t.until((d) => d.kind === 'swap');
    t.lead({ kind: 'allowance', about: { deviation: short.id }, decision: 'refuse' });
    const { fastener, replacement } = holdDue(t.state);
    t.do('swapped', { fastener: fastener ?? '', replacement: replacement ?? '', condition: 'new' });
    t.until((d) => d.kind === 'pull');
    expect(pullDue(t.state)).toMatchObject({ fastener: replacement, stage: { id: 't1' } });
    t.finish();
  });
});

test('warm to the hand is no 150 °C', () => {
  const t = new Technician(demoSheet('bv48-exhaust'), undefined, {
    part: 'takeApart',
    instance: 'left',
  });
  t.until((d) => d.kind === 'wait');
  const due = next(t.state);
  if (due.kind !== 'wait') throw new Error(due.kind);
  expect(refusal(() => t.do('waited', { stage: due.stage.id, celsius: 150 }))).toBe(
    'TEMPERATURE_IMPLAUSIBLE',
  );
  expect(refusal(() => t.do('waited', { stage: due.stage.id, celsius: 20 }))).toBe('NOT_THAT_WARM');
  t.do('waited', { stage: due.stage.id, celsius: 45 });
});
