import {
  buildSheet,
  atStage,
  demoSheet,
  headSheet,
  PLACE,
  pullDue,
  refusal,
  Technician,
  type SheetPlan,
  holdDue,
} from '../testing';
import { clocks, next } from '.';

describe('several together', () => {
  test('the next ones in order are confirmed by one event; the record and the state know each', () => {
    const t = new Technician(headSheet);
    t.until(atStage('snug'));
    t.do('passConfirmed', {
      stage: 'snug',
      pass: 1,
      fasteners: ['1/1', '2/1', '3/1'],
      outcome: 'clicked',
      puller: PLACE.person,
    });
    expect(pullDue(t.state).fastener).toBe('4/1');
    expect(
      refusal(() =>
        t.do('passConfirmed', {
          stage: 'snug',
          pass: 1,
          fasteners: ['5/1', '6/1'],
          outcome: 'clicked',
          puller: PLACE.person,
        }),
      ),
    ).toBe('WRONG_FASTENER');
  });

  test('never by angle, and not a first torque that did not turn', () => {
    const t = new Technician(headSheet);
    const due = t.until((d) => d.kind === 'pull');
    expect(due).toMatchObject({ mustTurn: true });
    expect(
      refusal(() =>
        t.do('passConfirmed', {
          stage: 'settle',
          pass: 1,
          fasteners: ['2/1'],
          outcome: 'heldStill',
          puller: PLACE.person,
        }),
      ),
    ).toBe('WRONG_FASTENER');
    expect(
      refusal(() =>
        t.do('passConfirmed', {
          stage: 'settle',
          pass: 1,
          fasteners: [pullDue(t.state).fastener],
          outcome: 'heldStill',
          puller: PLACE.person,
        }),
      ),
    ).toBe('DRY_FIRST_TORQUE');
    t.until(atStage('first-angle'));
    expect(
      refusal(() =>
        t.do('passConfirmed', {
          stage: 'first-angle',
          pass: 1,
          fasteners: ['1/1'],
          outcome: 'reached',
          puller: PLACE.person,
        }),
      ),
    ).toBe('ANGLE_TOGETHER');
  });

  test('a drawing down is one confirmation a round, and too many rounds end in a hold', () => {
    const t = new Technician(demoSheet('tf25-pressure-plate'));
    const due = t.until((d) => d.kind === 'round');
    expect(due).toMatchObject({ round: 1, fasteners: ['1/1', '3/1', '5/1', '2/1', '4/1', '6/1'] });
    for (let i = 1; i <= 12; i += 1)
      t.do('roundDone', { stage: 'down', round: i, seated: false, notSeated: ['4/1'] });
    expect(holdDue(t.state)).toMatchObject({
      hold: { kind: 'notSeated', notSeated: ['4/1'] },
      ways: ['restart', 'pending'],
    });
    t.step();
    expect(next(t.state)).toMatchObject({ kind: 'round', round: 1 });
  });
});

describe('orders', () => {
  test('where any order will do, another than the one proposed is no deviation', () => {
    const t = new Technician(demoSheet('ob20-bell-housing'));
    t.until(atStage('short-t'));
    const due = pullDue(t.state);
    expect(due.others).toHaveLength(5);
    t.pull(due, { fastener: due.others[3] ?? '' });
    expect(pullDue(t.state).others).not.toContain(due.others[3]);
    t.finish();
    expect(t.state.progress.deviations).toEqual([]);
  });

  test('each: torque and angle on one bolt before the next; set aside half-way it begins again, its angle begun is lost', () => {
    const rods = demoSheet('ob20-rod-caps');
    const t = new Technician(rods);
    t.until(atStage('tighten'));
    expect([pullDue(t.state).fastener, pullDue(t.state).task.part?.id]).toEqual(['A/1', 'torque']);
    t.step();
    t.until((d) => d.kind === 'pull' && d.task.part?.id === 'turn');
    expect(pullDue(t.state)).toMatchObject({ fastener: 'A/1', reason: 'nextPart' });
    t.step({ aside: true });
    expect(pullDue(t.state)).toMatchObject({ fastener: 'B/1', task: { part: { id: 'torque' } } });
    t.until((d) => d.kind === 'pull' && d.fastener === 'A/1');
    expect(pullDue(t.state)).toMatchObject({
      reason: 'asideLast',
      task: { part: { id: 'torque' } },
    });
    t.finish();
  });
});

describe('clocks', () => {
  const intake = demoSheet('cv30-intake');
  const applied = (): Technician => {
    const t = new Technician(intake);
    t.until((d) => d.kind === 'step' && d.step.id === 'bead');
    t.step();
    return t;
  };

  test('until it has tacked, next is to wait; earlier is refused', () => {
    const t = applied();
    expect(next(t.state)).toMatchObject({ kind: 'waitClock', running: { clock: { id: 'tack' } } });
    expect(refusal(() => t.do('waited', { clock: 'tack' }))).toBe('TOO_EARLY');
    t.wait(300);
    t.do('waited', { clock: 'tack' });
    expect(next(t.state)).toMatchObject({ kind: 'step', step: { id: 'lid' } });
    expect(clocks(t.state).map((c) => c.clock.id)).toEqual(['tack', 'open']);
  });

  test('an end that comes too late asks when it was really done; later is an overrun that goes back to where it began', () => {
    const t = applied();
    t.until((d) => d.kind === 'pull' && d.ordinal === 10);
    const inTime = t.nowIso();
    t.wait(3600);
    const due = pullDue(t.state);
    expect(refusal(() => t.pull(due, {}))).toBe('CLOCK_PASSED');
    expect(
      refusal(() =>
        t.pull(due, { doneAt: new Date(Date.parse(t.nowIso()) + 60_000).toISOString() }),
      ),
    ).toBe('DONE_AT_WRONG');
    const late = t.clone();
    t.pull(due, { doneAt: inTime });
    expect(next(t.state)).toMatchObject({ kind: 'setTool', stage: { id: 't2' } });
    late.do('overran', { clock: 'open' });
    // Bolts that were pulled in the meantime are slackened before the bead is cleaned off.
    expect(next(late.state)).toMatchObject({ kind: 'slacken' });
    late.step();
    expect(next(late.state)).toMatchObject({ kind: 'step', step: { id: 'bead' } });
    expect(late.state.progress.deviations).toMatchObject([{ kind: 'overran', needsLead: false }]);
    late.finish();
  });

  test('a step that was put off until the clock had run out is due in its place the second time', () => {
    const plan: SheetPlan = {
      circle: false,
      count: 6,
      reuse: 'replace',
      onReplace: 'single',
      blocks: ['wait', 'oldPart', 'clock', 'do'],
      orders: [0, 0, 0, 0, 0, 0],
      instances: false,
    };
    const t = new Technician(buildSheet(plan));
    t.until((d) => d.kind === 'step' && d.step.id === 'place0');
    t.do('stepDone', { step: 'place0', deferTo: 'do3' });
    t.finish();
    expect(t.state.progress.deviations.filter((d) => d.kind === 'overran')).toHaveLength(1);
  });

  test('an overrun is only of a clock that runs', () => {
    const t = new Technician(intake);
    t.until((d) => d.kind === 'step' && d.step.id === 'bead');
    expect(refusal(() => t.do('overran', { clock: 'open' }))).toBe('NOT_NEXT');
  });

  test('a wait by minutes begins when its stage comes due', () => {
    const t = new Technician(demoSheet('ck12-head'));
    const due = t.until((d) => d.kind === 'wait');
    expect(due).toMatchObject({ stage: { id: 'rest' }, until: expect.any(String) });
    expect(refusal(() => t.do('waited', { stage: 'rest' }))).toBe('TOO_EARLY');
  });
});

describe('steps', () => {
  test('outer caps are placed after the inner ones are tight', () => {
    const t = new Technician(demoSheet('tf25-cam-caps'));
    t.until((d) => d.kind === 'step' && d.step.id === 'place-outer');
    expect(Object.values(t.state.progress.seats).filter((s) => s.done['inner-t']).length).toBe(6);
    expect(t.state.progress.seats['1T']?.fitted).toBeNull();
    t.step();
    expect(next(t.state)).toMatchObject({
      kind: 'fit',
      fasteners: ['1T/1', '1B/1', '5B/1', '5T/1'],
    });
  });

  test('a bad answer asks again, a measurement outside its limits may go on pending, and is refused later', () => {
    const t = new Technician(demoSheet('ob20-rod-caps'));
    t.until((d) => d.kind === 'step' && d.step.id === 'clearance');
    t.do('stepDone', { step: 'clearance', measurements: [{ value: { value: 0.08, unit: 'mm' } }] });
    expect(next(t.state)).toMatchObject({
      kind: 'step',
      reason: 'consequence',
      step: { id: 'clearance' },
    });
    const event = t.do('stepDone', {
      step: 'clearance',
      measurements: [{ value: { value: 0.08, unit: 'mm' } }],
      pendingLead: true,
    });
    expect(next(t.state)).toMatchObject({ kind: 'step', step: { id: 'strip-off' } });
    t.lead({ kind: 'allowance', about: { deviation: event.id }, decision: 'refuse' });
    expect(next(t.state)).toMatchObject({ kind: 'step', step: { id: 'clearance' } });
  });

  test('a ladder of attempts, rung by rung', () => {
    const t = new Technician(demoSheet('bv48-exhaust'));
    t.until(atStage('t1'));
    t.step({ fails: 'broke' });
    for (const rung of ['grip', 'drill', 'extractor', 'next-size', 'insert']) {
      expect(holdDue(t.state)).toMatchObject({
        hold: { rung },
        ways: expect.arrayContaining(['rung', 'replace', 'statement']),
      });
      t.do('stepDone', { step: rung, answer: 'didNot' });
    }
    expect(holdDue(t.state).ways).toEqual(['replace', 'statement']);
    t.lead({ kind: 'leaveOut', fastener: holdDue(t.state).fastener ?? '' });
    t.finish();
    expect(t.state.progress.deviations).toMatchObject([{ kind: 'leftOut', needsLead: false }]);
  });

  test('one that may lag is asked at each boundary and before the end', () => {
    const t = new Technician(demoSheet('qn47-exhaust'));
    t.until(atStage('t1'));
    const { fastener } = pullDue(t.state);
    t.step({ aside: true });
    t.until((d) => d.kind === 'pull' && d.reason === 'asideLast');
    t.step({ aside: true });
    expect(pullDue(t.state)).toMatchObject({ fastener, reason: 'lagsBehind', stage: { id: 't1' } });
    t.step({ aside: true });
    t.until((d) => d.kind === 'pull');
    expect(pullDue(t.state)).toMatchObject({ stage: { id: 't2' } });
    expect(pullDue(t.state).fastener).not.toBe(fastener);
    // Before the next boundary it is asked again.
    t.until((d) => d.kind === 'pull' && d.reason === 'lagsBehind');
    expect(pullDue(t.state)).toMatchObject({ fastener, stage: { id: 't1' } });
    t.finish();
    expect(t.state.progress.deviations).toEqual([]);
  });
});
