import { Technician, demoSheet, refusal, pullDue, headSheet, atStage, holdDue } from '../testing';
import { next } from './next';

describe('new for old', () => {
  test('the old bolt seats the part, is exempt from one-time-use, and the new one owes only what comes after', () => {
    const t = new Technician(demoSheet('bv48-damper'));
    expect(t.until((d) => d.kind === 'fit')).toMatchObject({ newOnly: false });
    t.do('fitted', { fasteners: [{ fastener: '1/1', condition: 'ownHole' }] });
    expect(t.until((d) => d.kind === 'swap')).toMatchObject({
      reason: 'swapStage',
      fastener: '1/1',
      replacement: '1/2',
      newOnly: true,
    });
    expect(
      refusal(() => t.do('swapped', { fastener: '1/1', replacement: '1/2', condition: 'ownHole' })),
    ).toBe('ONE_TIME_USE');
    t.step();
    t.until((d) => d.kind === 'pull');
    expect(pullDue(t.state)).toMatchObject({ fastener: '1/2', stage: { id: 't1' } });
    t.finish();
    expect(t.state.progress.deviations).toEqual([]);
  });

  test('old bolts are good for the trial, then new ones must come in', () => {
    const t = new Technician(demoSheet('ob20-rod-caps'));
    const due = t.until((d) => d.kind === 'fit');
    if (due.kind !== 'fit') throw new Error();
    t.do('fitted', {
      fasteners: due.fasteners.map((fastener) => ({ fastener, condition: 'ownHole' as const })),
    });
    const swap = t.until((d) => d.kind === 'swap');
    expect(swap).toMatchObject({ reason: 'trialOver', fastener: 'A/1' });
    expect(t.state.progress.seats.A?.done).toEqual({ trial: true, open: true });
  });

  test('after a trial: what the real angle used up is replaced for that, and is on the record', () => {
    const t = new Technician(demoSheet('ob20-rod-caps'));
    t.until((d) => d.kind === 'hold');
    t.do('held', { hold: 'free', decision: 'failed' });
    t.until((d) => d.kind === 'swap');
    expect(next(t.state)).toMatchObject({ reason: 'usedUp', fastener: 'A/1' });
    t.finish();
    expect(
      t.state.progress.deviations.filter((d) => d.kind === 'replaced').map((d) => d.fastener),
    ).toEqual(['A/1', 'B/1']);
  });

  test('by length: measured, and too long stays out', () => {
    const t = new Technician(demoSheet('brenna-2-0-head-early'));
    const due = t.until((d) => d.kind === 'fit');
    if (due.kind !== 'fit') throw new Error();
    const say = (lengthMm?: number) =>
      due.fasteners.map((fastener) => ({
        fastener,
        condition: 'ownHole' as const,
        ...(lengthMm ? { lengthMm } : {}),
      }));
    expect(refusal(() => t.do('fitted', { fasteners: say() }))).toBe('LENGTH_NEEDED');
    expect(refusal(() => t.do('fitted', { fasteners: say(139.6) }))).toBe('TOO_LONG');
    expect(refusal(() => t.do('fitted', { fasteners: say(12) }))).toBe('LENGTH_IMPLAUSIBLE');
    // At the very limit a caliper cannot tell; a hundredth less it can.
    expect(refusal(() => t.do('fitted', { fasteners: say(139.5) }))).toBe('LENGTH_TOO_CLOSE');
    t.do('fitted', { fasteners: say(139.45) });
  });

  test('against one-time-use only the lead’s written word, and it is on the record', () => {
    const t = new Technician(headSheet);
    const due = t.until((d) => d.kind === 'fit');
    if (due.kind !== 'fit') throw new Error();
    const used = {
      fasteners: due.fasteners.map((fastener) => ({ fastener, condition: 'other' as const })),
    };
    expect(refusal(() => t.do('fitted', used))).toBe('ONE_TIME_USE');
    t.lead({ kind: 'allowance', about: { reuse: 'head-bolts' }, decision: 'allow' });
    t.do('fitted', used);
    t.finish();
    expect(t.state.progress.deviations.filter((d) => d.kind === 'reused')).toHaveLength(10);
  });

  test('after the first angle the sheet decides: begin again, all of them new', () => {
    const t = new Technician(demoSheet('tf25-head'));
    t.until(atStage('outer'));
    t.step({ fails: 'broke' });
    t.step();
    expect(next(t.state)).toMatchObject({ kind: 'slacken' });
    t.step();
    expect(next(t.state)).toMatchObject({ kind: 'swap', reason: 'usedUp' });
    expect(t.state.progress).toMatchObject({ stage: 0, pass: 1 });
    t.finish();
    // The two inner ones had their angle and the broken one is new; the others were never past
    // yield.
    expect(
      Object.values(t.state.progress.seats).flatMap((s) => (s.life === 2 ? [s.seat] : [])),
    ).toEqual(['1', '2', '5']);
  });

  test('left to the lead, it waits for the lead', () => {
    const t = new Technician(demoSheet('bv48-head'));
    t.until(atStage('a3'));
    t.step({ fails: 'stripped' });
    t.step();
    expect(holdDue(t.state)).toMatchObject({ hold: { kind: 'replaced' }, ways: ['statement'] });
    t.lead({ kind: 'release', hold: 'a3', decision: 'single' });
    t.until((d) => d.kind === 'pull');
    expect(pullDue(t.state)).toMatchObject({ reason: 'replacementCatchesUp', stage: { id: 't1' } });
  });
});

describe('an earlier pull corrected', () => {
  test('torques made since are asked again, angles stand and the lead decides', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'pull' && d.stage.id === 'first-angle' && d.fastener === '3/1');
    const snug = [...t.state.events].find(
      (e) => e.type === 'pulled' && e.payload.stage === 'snug' && e.payload.fastener === '5/1',
    );
    t.do('corrected', { event: snug?.id ?? '', outcome: 'notTurned', verdict: 'inTolerance' });
    expect(pullDue(t.state)).toMatchObject({ fastener: '5/1', stage: { id: 'snug' } });
    expect(t.state.progress.deviations.map((d) => [d.kind, d.fastener])).toEqual([
      ['angleStands', '1/1'],
      ['angleStands', '2/1'],
    ]);
    t.step();
    // Its stripe was painted before this torque turned it: it is painted again.
    expect(next(t.state)).toMatchObject({ kind: 'mark', fasteners: ['5/1'] });
    t.step();
    expect(pullDue(t.state)).toMatchObject({ fastener: '3/1', stage: { id: 'first-angle' } });
  });

  test('an earlier pull corrected to far too far holds the run, whatever came after it', () => {
    const t = new Technician(demoSheet('ob20-rod-caps-early'));
    t.until(atStage('a1'));
    const first = t.step();
    t.step({ fails: 'wontStartByHand' });
    t.do('restarted', { fastener: 'B/1', slackened: true });
    t.do('corrected', {
      event: first?.id ?? '',
      outcome: 'reached',
      reading: { value: 140, unit: 'deg' },
      verdict: 'above',
    });
    expect(holdDue(t.state)).toMatchObject({ hold: { kind: 'above', fastener: 'A/1' } });
  });

  test('an angle that stands stands on that bolt: a new one by the sheet’s swap is asked for its own', () => {
    const t = new Technician(demoSheet('bv48-damper'));
    t.until(atStage('a1'));
    t.step();
    const seated = [...t.state.events].find(
      (e) => e.type === 'pulled' && e.payload.stage === 'seat',
    );
    t.do('corrected', { event: seated?.id ?? '', outcome: 'notTurned', verdict: 'inTolerance' });
    t.until((d) => d.kind === 'pull');
    expect(pullDue(t.state)).toMatchObject({ stage: { id: 'seat' }, fastener: '1/2' });
    t.until((d) => d.kind === 'swap');
    t.step();
    t.until(atStage('a1'));
    expect(pullDue(t.state)).toMatchObject({ fastener: '1/3', inHand: { value: 70 } });
    t.finish();
  });

  test('a pull is moved to the one that was really turned', () => {
    const t = new Technician(headSheet);
    t.until(atStage('snug'));
    const made = t.step();
    t.do('corrected', {
      event: made?.id ?? '',
      outcome: 'clicked',
      fastener: '3/1',
      verdict: 'inTolerance',
    });
    expect(pullDue(t.state).fastener).toBe('1/1');
    expect(Object.keys(t.state.progress.inPass)).toEqual(['3']);
  });

  test('never to one that is not there', () => {
    const t = new Technician(headSheet);
    t.until(atStage('snug'));
    const made = t.step();
    for (const fastener of ['99/1', '3/2']) {
      expect(
        refusal(() =>
          t.do('corrected', {
            event: made?.id ?? '',
            outcome: 'clicked',
            fastener,
            verdict: 'inTolerance',
          }),
        ),
      ).toBe('FASTENER_NOT_THERE');
      expect(refusal(() => t.do('added', { fasteners: [fastener], action: 'loosen' }))).toBe(
        'FASTENER_NOT_THERE',
      );
    }
  });
});
