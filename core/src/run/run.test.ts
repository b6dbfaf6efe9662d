import { atStage, headSheet, intakeSheet, pullDue, refusal, Technician } from '../testing';
import { runRecord } from '../record';
import { evolve, fastenerId, next, replay, undoable, type RunEvent } from '.';

describe('a ten-bolt head, led by an obedient technician', () => {
  test('asks for start, new bolts, wrench, setting, then the first bolt from the middle', () => {
    const t = new Technician(headSheet);
    const kinds = [];
    for (let i = 0; i < 5; i += 1) {
      kinds.push(next(t.state).kind);
      t.step();
    }
    expect(kinds).toEqual(['start', 'fit', 'chooseTool', 'setTool', 'pull']);
    expect(pullDue(t.state).fastener).toBe('2/1');
  });

  test('sets 239 on an inch-pound scale for 27 N·m', () => {
    const t = new Technician(headSheet);
    const due = t.until((d) => d.kind === 'setTool');
    expect(due).toMatchObject({
      setting: { value: 239, unit: '[in_i].[lbf_av]' },
      target: { value: 27, unit: 'N.m' },
    });
  });

  test('goes round again while any bolt moved, and needs a quiet pass after the first', () => {
    const t = new Technician(headSheet);
    t.until(atStage('settle'));
    for (let i = 0; i < 10; i += 1) t.step({ moved: false });
    expect(pullDue(t.state)).toMatchObject({
      pass: 2,
      reason: 'confirmSettled',
      stage: { id: 'settle' },
    });
    for (let i = 0; i < 10; i += 1) t.step({ moved: i === 4 });
    expect(pullDue(t.state)).toMatchObject({ pass: 3, reason: 'moved', stage: { id: 'settle' } });
    for (let i = 0; i < 10; i += 1) t.step({ moved: false });
    expect(next(t.state)).toMatchObject({ kind: 'chooseTool', stage: { id: 'snug' } });
  });

  test('does not take the small wrench over to a torque it does not reach', () => {
    const t = new Technician(headSheet);
    const due = t.until((d) => d.kind === 'chooseTool' && d.stage.id === 'snug');
    expect(due.kind).toBe('chooseTool');
    expect(
      refusal(() =>
        t.do('wrenchChosen', {
          stage: 'snug',
          method: 'click',
          wrench: t.place.wrenches[0] ?? null,
        }),
      ),
    ).toBe('WRENCH_OUT_OF_RANGE');
  });

  test('asks for stripes once, before the first angle', () => {
    const t = new Technician(headSheet);
    const events = t.finish();
    expect(events.filter((e) => e.type === 'stepDone')).toHaveLength(1);
    expect(events.findIndex((e) => e.type === 'stepDone')).toBeLessThan(
      events.findIndex((e) => e.type === 'pulled' && e.payload.stage === 'first-angle'),
    );
  });

  test('takes every bolt through every stage in the sheet’s order, then finishes', () => {
    const t = new Technician(headSheet);
    const events = t.finish();
    const order = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10'].map((n) => fastenerId(n, 1));
    for (const stage of ['snug', 'first-angle', 'second-angle']) {
      expect(
        events.flatMap((e) =>
          e.type === 'pulled' && e.payload.stage === stage ? [e.payload.fastener] : [],
        ),
      ).toEqual(order);
    }
    expect(t.state.status).toBe('finished');
    expect(t.state.progress.deviations).toEqual([]);
    expect(next(t.state).kind).toBe('done');
  });

  test('a manifold published in inch-pounds goes through by its own two stages, its screws used again', () => {
    const t = new Technician(intakeSheet);
    expect(t.until((d) => d.kind === 'fit')).toMatchObject({
      newOnly: false,
      reason: 'confirmFitted',
    });
    t.finish();
    expect(t.state.status).toBe('finished');
  });
});

describe('told apart at the vehicle', () => {
  const started = (): Technician => {
    const t = new Technician(headSheet);
    t.step();
    return t;
  };
  test('an answer of the sheet that leads to it goes into the record, and changes nothing else', () => {
    const t = started();
    const before = next(t.state);
    t.do('variantAnswered', {
      question: 'Which bolt is in your hand?',
      answer: 'hexagon head, M10',
    });
    expect(next(t.state)).toEqual(before);
    expect(runRecord(headSheet, t.state.events).told).toEqual([
      {
        question: 'Which bolt is in your hand?',
        answer: 'hexagon head, M10',
        person: t.place.person,
      },
    ]);
  });
  test.each([
    ['Which bolt is in your hand?', '12-point head, M11', 'SHEET_MISMATCH'],
    ['Which bolt is in your hand?', 'a green one', 'ANSWER_UNKNOWN'],
    ['Is it green?', 'hexagon head, M10', 'ANSWER_UNKNOWN'],
  ])('%s %s is refused', (question, answer, code) => {
    const t = started();
    expect(refusal(() => t.do('variantAnswered', { question, answer }))).toBe(code);
  });
});

describe('what is not let in', () => {
  const started = (): Technician => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'pull');
    return t;
  };

  test('anything before the start, and a second start', () => {
    const t = new Technician(headSheet);
    expect(refusal(() => t.do('paused', {}))).toBe('RUN_NOT_STARTED');
    t.step();
    const again = t.event(
      'started',
      {
        joint: t.place.joint,
        sheet: headSheet.id,
        revision: 'C',
        sheetHash: 'a'.repeat(64),
        core: '0',
        cautionsRead: true,
      },
      { seq: 1 },
    );
    expect(refusal(() => t.take(again))).toBe('RUN_ALREADY_STARTED');
  });

  test('used one-time-use bolts', () => {
    const t = new Technician(headSheet);
    const due = t.until((d) => d.kind === 'fit');
    if (due.kind !== 'fit') throw new Error();
    expect(
      refusal(() =>
        t.do('fitted', {
          fasteners: due.fasteners.map((fastener) => ({ fastener, condition: 'ownHole' as const })),
        }),
      ),
    ).toBe('ONE_TIME_USE');
    expect(
      refusal(() =>
        t.do('fitted', {
          fasteners: due.fasteners
            .slice(1)
            .map((fastener) => ({ fastener, condition: 'new' as const })),
        }),
      ),
    ).toBe('REQUIRES_ALL');
  });

  test('another bolt, stage, pass, method or wrench than the one that is due', () => {
    const t = started();
    const due = pullDue(t.state);
    expect(refusal(() => t.pull(due, { fastener: '2/1' }))).toBe('WRONG_FASTENER');
    expect(refusal(() => t.pull(due, { stage: 'snug' }))).toBe('WRONG_STAGE');
    expect(refusal(() => t.pull(due, { pass: 2 }))).toBe('WRONG_PASS');
    expect(refusal(() => t.pull(due, { method: 'digital' }))).toBe('METHOD_NOT_ALLOWED');
    expect(refusal(() => t.pull(due, { wrench: t.place.joint }))).toBe('WRENCH_UNKNOWN');
    expect(refusal(() => t.pull(due, { outcome: 'clicked' }))).toBe('WRONG_OUTCOME');
    expect(
      refusal(() => t.pull(due, { outcome: 'turned', reading: { value: 27, unit: 'N.m' } })),
    ).toBe('METHOD_NOT_ALLOWED');
  });

  test('a first torque that did not turn, until somebody looked', () => {
    const t = started();
    expect(refusal(() => t.pull(pullDue(t.state), { outcome: 'heldStill' }))).toBe(
      'DRY_FIRST_TORQUE',
    );
    expect(t.pull(pullDue(t.state), { outcome: 'heldStill', looked: true }).payload.verdict).toBe(
      'suspicious',
    );
  });

  test('a scale set to another number, a wrench out of calibration', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'chooseTool');
    const wrench = t.place.wrenches[0];
    if (!wrench) throw new Error();
    expect(
      refusal(() =>
        t.do('wrenchChosen', {
          stage: 'settle',
          method: 'click',
          wrench: { ...wrench, calibratedUntil: '2026-11-23' },
        }),
      ),
    ).toBe('WRENCH_OUT_OF_CALIBRATION');
    t.until((d) => d.kind === 'setTool');
    expect(
      refusal(() => t.do('wrenchSet', { stage: 'settle', setting: { value: 27, unit: 'N.m' } })),
    ).toBe('SETTING_WRONG');
  });

  test('an angle by eye where it is no multiple of 90°, and a reading that no hand can make', () => {
    const t = new Technician(headSheet);
    t.until((d) => d.kind === 'chooseTool' && d.stage.id === 'first-angle');
    expect(
      refusal(() => t.do('wrenchChosen', { stage: 'first-angle', method: 'byEye', wrench: null })),
    ).toBe('METHOD_NOT_ALLOWED');
    t.until(atStage('first-angle'));
    expect(refusal(() => t.pull(pullDue(t.state), { reading: { value: 750, unit: 'deg' } }))).toBe(
      'READING_IMPLAUSIBLE',
    );
    expect(refusal(() => t.pull(pullDue(t.state), { reading: { value: 75, unit: 'N.m' } }))).toBe(
      'READING_UNIT',
    );
  });

  test('a gap, an earlier hold, another device, another run', () => {
    const t = started();
    const due = pullDue(t.state);
    const seq = t.state.lastSeq + 2;
    expect(refusal(() => t.take(t.event('paused', {}, { seq })))).toBe('EVENT_GAP');
    expect(refusal(() => t.take(t.event('paused', {}, { hold: 2 })))).toBe('HOLD_WRONG');
    expect(
      refusal(() => t.take(t.event('paused', {}, { device: due.tool.wrench?.id ?? '' }))),
    ).toBe('HOLD_ENDED');
    expect(refusal(() => t.take(t.event('paused', {}, { run: t.place.joint })))).toBe(
      'RUN_UNKNOWN',
    );
  });

  test('finishing early, working while paused, anything after the end', () => {
    const t = started();
    expect(refusal(() => t.do('finished', {}))).toBe('NOT_NEXT');
    t.do('paused', {});
    expect(next(t.state).kind).toBe('resume');
    expect(refusal(() => t.do('undone', { event: t.place.run }))).toBe('RUN_PAUSED');
    t.finish();
    expect(refusal(() => t.do('paused', {}))).toBe('RUN_FINISHED');
  });
});

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

  test('far too far on a one-time-use bolt past yield: only a new one, or the lead’s word', () => {
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

  test('what does not settle becomes a hold: begin anew, or go on with the lead’s decision pending', () => {
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

describe('going back', () => {
  test('a bolt that was not turned is asked again, and the state is the one before', () => {
    const t = new Technician(headSheet);
    t.until(atStage('first-angle'));
    const before = t.state.progress;
    const pulled = t.step();
    t.do('undone', { event: pulled?.id ?? '' });
    expect(t.state.progress).toEqual(before);
    expect([...t.state.events].map((e) => e.type).slice(-2)).toEqual(['pulled', 'undone']);
  });

  test('a bolt that was turned is corrected and not asked again', () => {
    const t = new Technician(headSheet);
    t.until(atStage('first-angle'));
    const pulled = t.step();
    t.do('corrected', {
      event: pulled?.id ?? '',
      outcome: 'reached',
      reading: { value: 83, unit: 'deg' },
      verdict: 'above',
    });
    expect(pullDue(t.state).fastener).toBe('2/1');
    expect(t.state.progress.deviations).toMatchObject([{ kind: 'above', fastener: '1/1' }]);
  });

  test('goes one at a time, over the end of a stage and back to the start', () => {
    const t = new Technician(headSheet);
    t.until(atStage('snug'));
    const first = t.state.events.at(1);
    expect(refusal(() => t.do('undone', { event: first?.id ?? '' }))).toBe('UNDO_NOT_LAST');
    for (let last = undoable(t.state); last; last = undoable(t.state))
      t.do('undone', { event: last.id });
    expect(next(t.state).kind).toBe('fit');
    expect(refusal(() => t.do('undone', { event: first?.id ?? '' }))).toBe('UNDO_NOTHING');
    t.finish();
    expect(t.state.status).toBe('finished');
  });

  test('replaying the stored list gives the live state, whatever happened', () => {
    const t = new Technician(headSheet);
    t.until(atStage('second-angle'));
    t.step({ fails: 'stripped' });
    t.finish();
    const stored = JSON.parse(JSON.stringify(t.state.events.toArray())) as RunEvent[];
    expect(replay(headSheet, stored)).toEqual(t.state);
    expect(stored.reduce(evolve, replay(headSheet, [])).progress).toEqual(t.state.progress);
  });
});
