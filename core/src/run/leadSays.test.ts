import {
  Technician,
  headSheet,
  atStage,
  pullDue,
  demoSheet,
  testId,
  PLACE,
  refusal,
  holdDue,
} from '../testing';
import { next } from './next';
import { sittings, nextInSitting } from './sitting';

describe('what the lead says', () => {
  test('a refusal opens a finished run again, and next names what to corrected', () => {
    const t = new Technician(headSheet);
    t.until(atStage('second-angle'));
    const { fastener } = pullDue(t.state);
    const short = t.step({ short: true });
    t.finish();
    t.lead({ kind: 'allowance', about: { deviation: short?.id ?? '' }, decision: 'refuse' });
    expect(t.state.status).toBe('open');
    expect(holdDue(t.state)).toMatchObject({
      hold: { kind: 'refused', deviation: { kind: 'stoppedShort' } },
      fastener,
      ways: ['replace'],
    });
    t.finish();
    expect(t.state.status).toBe('finished');
  });

  test('one that was left out stays out when the joint begins again, and asks for nothing', () => {
    const t = new Technician(demoSheet('tf25-head'));
    t.until(atStage('outer'));
    t.lead({ kind: 'leaveOut', fastener: '2/1' });
    t.step({ fails: 'broke' });
    t.finish();
    expect(t.state.progress.seats['2']).toMatchObject({ leftOut: true, usedUp: null, life: 1 });
    expect(t.state.status).toBe('finished');
  });

  test('a technician cannot say it', () => {
    const t = new Technician(headSheet);
    t.until(atStage('snug'));
    const statement = {
      id: testId(99),
      kind: 'leaveOut' as const,
      person: PLACE.person,
      role: 'technician' as const,
      at: t.nowIso(),
      fastener: '1/1',
    };
    expect(refusal(() => t.do('used', { statement }))).toBe('NOT_LEAD');
  });

  test('a wrench out of calibration: pending before the first angle, never after; refused, its pulls are done again', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'chooseTool');
    const wrench = t.place.wrenches[2] ?? null;
    expect(refusal(() => t.do('wrenchChosen', { stage: 'settle', method: 'click', wrench }))).toBe(
      'WRENCH_OUT_OF_CALIBRATION',
    );
    const chosen = t.do('wrenchChosen', {
      stage: 'settle',
      method: 'click',
      wrench,
      pendingLead: true,
    });
    t.until(atStage('first-angle'));
    t.step();
    t.lead({ kind: 'allowance', about: { deviation: chosen.id }, decision: 'refuse' });
    expect(holdDue(t.state)).toMatchObject({
      hold: { kind: 'refused' },
      ways: ['restart'],
      restart: 'settle',
    });
    t.step();
    expect(t.state.progress).toMatchObject({ stage: 0, pass: 1 });
    expect(next(t.state)).toMatchObject({ kind: 'swap', fastener: '1/1', reason: 'usedUp' });
    t.step();
    // Not with the same wrench again.
    expect(next(t.state)).toMatchObject({ kind: 'chooseTool', stage: { id: 'settle' } });
  });
});

describe('claims of the device before', () => {
  const taken = (): Technician => {
    const t = new Technician(headSheet, { ...PLACE });
    t.until((d) => d.kind === 'pull' && d.stage.id === 'snug' && d.fastener === '4/1');
    t.takeOver(testId(44));
    t.step();
    t.until((d) => d.kind === 'pull');
    t.lead({
      kind: 'claims',
      claims: [{ event: testId(800), fastener: '4/1', stage: 'snug', pass: 1 }],
    });
    return t;
  };

  test('are kept, and each is answered: really done counts in its pass', () => {
    const t = taken();
    expect(holdDue(t.state)).toMatchObject({
      hold: { kind: 'claim' },
      ways: ['reallyDone', 'redone', 'notDone'],
    });
    t.do('held', { hold: testId(800), decision: 'reallyDone' });
    expect(pullDue(t.state).fastener).toBe('5/1');
  });

  test('not done changes nothing, redone stands for the lead', () => {
    const not = taken();
    not.do('held', { hold: testId(800), decision: 'notDone' });
    expect(pullDue(not.state).fastener).toBe('4/1');
    const redone = taken();
    redone.do('held', { hold: testId(800), decision: 'redone' });
    expect(redone.state.progress.deviations).toMatchObject([
      { kind: 'redone', fastener: '4/1', needsLead: true },
    ]);
  });
});

describe('a joint that occurs several times', () => {
  const rods = demoSheet('ob20-rod-caps');
  const run = (instance: string): Technician => new Technician(rods, { ...PLACE }, { instance });

  test('companion pairs are one sitting; the crank turns between them, not within', () => {
    expect(sittings(rods)).toEqual([
      ['1', '4'],
      ['2', '3'],
    ]);
    expect(nextInSitting(rods, {}, 0)).toEqual({ kind: 'run', instance: '1' });
    const one = run('1');
    one.until(atStage('tighten'));
    one.do('paused', {});
    expect(nextInSitting(rods, { '1': one.state }, 0)).toEqual({ kind: 'run', instance: '4' });
    one.finish();
    const four = run('4');
    four.finish();
    const done = { '1': one.state, '4': four.state };
    expect(nextInSitting(rods, done, 0)).toEqual({
      kind: 'turnCrank',
      toDeg: 180,
      forInstances: ['2', '3'],
    });
    expect(nextInSitting(rods, done, 180)).toEqual({ kind: 'run', instance: '2' });
  });

  test('an instance that the sheet does not have is refused', () => {
    const t = run('7');
    expect(refusal(() => t.step())).toBe('INSTANCE_UNKNOWN');
  });
});
