import { atStage, headSheet, intakeSheet, pullDue, refusal, Technician } from '../testing';
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

  test('a first torque that did not turn, until someone looked', () => {
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
