import {
  buildSheet,
  atStage,
  demoSheet,
  headSheet,
  PLACE,
  pullDue,
  refusal,
  Technician,
  testId,
  type SheetPlan,
} from '../testing';
import { clocks, next, nextInSitting, sittings, type Next } from '.';

const hold = (due: Next) => {
  if (due.kind !== 'hold') throw new Error(due.kind);
  return due;
};

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
    expect(hold(next(t.state))).toMatchObject({
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

  test('each: torque and angle on one bolt before the next; set aside half-way it begins anew, its angle begun is lost', () => {
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

  test('after a trial: what the real angle used up is replaced for that, and stands on the record', () => {
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

  test('against one-time-use only the lead’s written word, and it stands on the record', () => {
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

  test('after the first angle the sheet decides: begin anew, all of them new', () => {
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
    expect(hold(next(t.state))).toMatchObject({ hold: { kind: 'replaced' }, ways: ['statement'] });
    t.lead({ kind: 'release', hold: 'a3', decision: 'single' });
    t.until((d) => d.kind === 'pull');
    expect(pullDue(t.state)).toMatchObject({ reason: 'replacementCatchesUp', stage: { id: 't1' } });
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
    // Bolts that were pulled meanwhile are slackened before the bead is cleaned off.
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
      expect(hold(next(t.state))).toMatchObject({
        hold: { rung },
        ways: expect.arrayContaining(['rung', 'replace', 'statement']),
      });
      t.do('stepDone', { step: rung, answer: 'didNot' });
    }
    expect(hold(next(t.state)).ways).toEqual(['replace', 'statement']);
    t.lead({ kind: 'leaveOut', fastener: hold(next(t.state)).fastener ?? '' });
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

describe('what the lead says', () => {
  test('a refusal opens a finished run again, and next names what to put right', () => {
    const t = new Technician(headSheet);
    t.until(atStage('second-angle'));
    const { fastener } = pullDue(t.state);
    const short = t.step({ short: true });
    t.finish();
    t.lead({ kind: 'allowance', about: { deviation: short?.id ?? '' }, decision: 'refuse' });
    expect(t.state.status).toBe('open');
    expect(hold(next(t.state))).toMatchObject({
      hold: { kind: 'refused', deviation: { kind: 'stoppedShort' } },
      fastener,
      ways: ['replace'],
    });
    t.finish();
    expect(t.state.status).toBe('finished');
  });

  test('one that was left out stays out when the joint begins anew, and asks for nothing', () => {
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
    expect(hold(next(t.state))).toMatchObject({
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
    expect(hold(next(t.state))).toMatchObject({
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

describe('an earlier pull put right', () => {
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

  test('an earlier pull put right to far too far holds the run, whatever came after it', () => {
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
    expect(hold(next(t.state))).toMatchObject({ hold: { kind: 'above', fastener: 'A/1' } });
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
  expect(hold(next(t.state))).toMatchObject({
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
