import { Technician, headSheet, atStage, pullDue, refusal } from '../testing';
import { next } from './next';

describe('mishaps', () => {
  test('an angle that fell short is asked for the rest, never for the whole again', () => {
    const t = new Technician(headSheet);
    t.until(atStage('first-angle'));
    t.step({ turnedDeg: 50 });
    expect(pullDue(t.state)).toMatchObject({
      fastener: '1/1',
      inHand: { value: 25, unit: 'deg' },
      reason: 'angleNotReached',
    });
    t.step({ turnedDeg: 24.5 });
    expect(pullDue(t.state).fastener).toBe('2/1');
    expect(t.state.progress.seats['1']?.turnedDeg['first-angle']).toBe(74.5);
    expect(t.state.progress.deviations).toEqual([]);
  });

  test('a little too far and stopped short stand as deviations for the lead, and the run goes on', () => {
    const t = new Technician(headSheet);
    t.until(atStage('second-angle'));
    t.step({ turnedDeg: 73 });
    t.step({ short: true });
    expect(t.state.progress.deviations).toMatchObject([
      { kind: 'above', fastener: '1/1', needsLead: true },
      { kind: 'stoppedShort', fastener: '2/1' },
    ]);
    expect(pullDue(t.state).fastener).toBe('3/1');
  });

  test('far too far on a one-time-use bolt past yield: only a new one, or the lead’s approval', () => {
    const t = new Technician(headSheet);
    t.until(atStage('second-angle'));
    t.step({ turnedDeg: 90 });
    expect(next(t.state)).toMatchObject({
      kind: 'hold',
      hold: { kind: 'above', beyondYield: true },
      ways: ['replace', 'statement'],
      fastener: '1/1',
      replacement: '1/2',
    });
    expect(refusal(() => t.do('held', { hold: 'second-angle', decision: 'pendingLead' }))).toBe(
      'PENDING_NOT_ALLOWED',
    );
    expect(refusal(() => t.do('restarted', { fastener: '1/1', slackened: true }))).toBe(
      'ONE_TIME_USE',
    );
    t.lead({ kind: 'release', hold: 'second-angle', decision: 'passed' });
    expect(pullDue(t.state).fastener).toBe('2/1');
    expect(t.state.progress.deviations).toMatchObject([
      { kind: 'above', fastener: '1/1', decision: 'allow' },
    ]);
  });

  test('a broken bolt holds the run; the new one goes through the earlier stages alone, then joins at its place', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'pull' && d.stage.id === 'first-angle' && d.fastener === '4/1');
    t.step({ fails: 'broke' });
    expect(next(t.state)).toMatchObject({ kind: 'hold', fastener: '4/1', replacement: '4/2' });
    expect(
      refusal(() => t.do('swapped', { fastener: '4/1', replacement: '4/2', condition: 'ownHole' })),
    ).toBe('ONE_TIME_USE');
    t.step();
    const alone = [];
    for (
      let due = next(t.state);
      !(due.kind === 'pull' && due.fastener === '5/1');
      due = next(t.state)
    ) {
      alone.push(due.kind === 'pull' ? `${due.fastener} ${due.stage.id} ${due.pass}` : due.kind);
      t.step();
    }
    expect(alone).toEqual([
      '4/2 settle 1',
      '4/2 settle 2',
      '4/2 snug 1',
      'neighbours',
      'mark',
      '4/2 first-angle 1',
    ]);
    t.finish();
    expect(t.state.status).toBe('finished');
  });

  test('a lost angle is first read off the stripe', () => {
    const t = new Technician(headSheet);
    t.until(atStage('first-angle'));
    t.step({ fails: 'angleLost' });
    t.do('pulled', {
      fastener: '1/1',
      stage: 'first-angle',
      pass: 1,
      outcome: 'reached',
      method: 'stripe',
      stripeDeg: 76,
      verdict: 'inTolerance',
      core: '0',
    });
    expect(pullDue(t.state).fastener).toBe('2/1');
    expect(t.state.progress.seats['1']?.failed).toBeNull();
  });

  test('what does not settle becomes a hold: begin again, or go on with the lead’s decision pending', () => {
    const unsettled = (): Technician => {
      const t = new Technician(headSheet);
      t.until(atStage('settle'));
      for (let i = 0; i < 50; i += 1) t.step({ moved: true });
      return t;
    };
    const anew = unsettled();
    expect(next(anew.state)).toMatchObject({
      kind: 'hold',
      hold: { kind: 'notSettled', moved: expect.arrayContaining(['1', '10']) },
    });
    anew.step();
    expect(next(anew.state)).toMatchObject({ kind: 'setTool', stage: { id: 'settle' } });
    expect(anew.state.progress.pass).toBe(1);
    const pending = unsettled();
    pending.do('held', {
      hold: 'settle',
      decision: 'pendingLead',
      finding: 'gasket crushed unevenly',
    });
    expect(next(pending.state)).toMatchObject({ kind: 'chooseTool', stage: { id: 'snug' } });
    expect(pending.state.progress.deviations).toMatchObject([
      { kind: 'notSettled', needsLead: true },
    ]);
  });

  test('after a take-over the new holder looks at every stripe first; what was seen beats what was sent', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'pull' && d.stage.id === 'first-angle' && d.fastener === '3/1');
    const taken = t.event(
      'tookOver',
      { fromDevice: t.place.device, deviceName: 'Phone' },
      { hold: 2, seq: 1, device: t.place.joint },
    );
    t.take(taken);
    const due = next(t.state);
    if (due.kind !== 'reconcile') throw new Error(due.kind);
    expect(due.believedTurned).toEqual(['1/1', '2/1']);
    const found = {
      '1/1': 'turned',
      '2/1': 'notTurned',
      '3/1': 'turned',
      '4/1': 'cannotTell',
    } as const;
    const seen = t.event(
      'reconciled',
      {
        stage: due.stage.id,
        pass: due.pass,
        fasteners: due.fasteners.map((fastener) => ({
          fastener,
          found: found[fastener as '1/1'] ?? 'notTurned',
        })),
      },
      { device: t.place.joint },
    );
    expect(refusal(() => t.take({ ...seen, device: t.place.device }))).toBe('HOLD_ENDED');
    t.take(seen);
    expect(next(t.state)).toMatchObject({
      kind: 'hold',
      fastener: '4/1',
      hold: { failure: 'angleLost' },
    });
    expect(Object.keys(t.state.progress.inPass).sort()).toEqual(['1', '3']);
  });
});
