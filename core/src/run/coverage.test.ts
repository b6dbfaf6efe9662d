import { headSheet, holdDue, refusal, Technician, testId } from '../testing';
import { Log, next, replay, uncovered, type RunEvent } from '.';

/**
 * A run at its end in whose list one confirmation is missing, as a fault of ours might leave it.
 */
function withoutOne(): Technician {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'finish');
  const lost = (e: RunEvent): boolean =>
    e.type === 'pulled' && e.payload.stage === 'second-angle' && e.payload.fastener === '7/1';
  t.state = {
    ...t.state,
    effective: Log.of(t.state.effective.toArray().filter((c) => !lost(c.event))),
  };
  return t;
}
test('a bolt and stage that nothing on record covers are named, and the run is not finished', () => {
  const t = withoutOne();
  expect(uncovered(t.state)).toEqual([{ fastener: '7/1', stage: 'second-angle' }]);
  expect(refusal(() => t.do('finished', {}))).toBe('NOT_NEXT');
  // It has an angle and is used once: brought back it cannot be.
  expect(holdDue(t.state)).toMatchObject({
    hold: { kind: 'notCovered', fastener: '7/1', stage: 'second-angle' },
    ways: ['replace', 'statement'],
  });
});

test('the lead may let it stand, by name', () => {
  const t = withoutOne();
  t.lead({ kind: 'release', hold: 'second-angle', decision: 'passed', fastener: '7/1' });
  expect(t.state.progress.deviations).toMatchObject([
    { kind: 'notCovered', fastener: '7/1', stage: 'second-angle', decision: 'allow' },
  ]);
  expect(next(t.state).kind).toBe('finish');
});

test('what an earlier run left out stays out, on the record of this one', () => {
  const t = new Technician(headSheet, undefined, { leftOut: ['4'] });
  t.finish();
  expect(
    [...t.state.events].some((e) => e.type === 'pulled' && e.payload.fastener.startsWith('4/')),
  ).toBe(false);
  expect(t.state.progress.deviations).toMatchObject([{ kind: 'leftOut', fastener: '4/1' }]);
  expect(replay(headSheet, t.state.events).progress).toEqual(t.state.progress);
});

test('a pull before a take-over that is corrected later asks no one to look at a stage that is over', () => {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'finish');
  t.takeOver(testId(77));
  t.lead({
    kind: 'claims',
    claims: [
      { event: testId(800_000), fastener: '9/1', stage: 'second-angle', pass: 1, turnedDeg: 60 },
    ],
  });
  t.until((d) => d.kind === 'finish');
  const wrong = [...t.state.events].findLast(
    (e) =>
      e.type === 'pulled' && e.payload.stage === 'second-angle' && e.payload.fastener === '9/1',
  );
  t.do('corrected', { event: wrong?.id ?? '', outcome: 'notTurned', verdict: 'inTolerance' });
  // What the other device had pulled and sent late is what it has.
  expect(next(t.state).kind).toBe('finish');
  expect(t.state.progress.seats['9']).toMatchObject({
    life: 1,
    turnedDeg: { 'first-angle': 75, 'second-angle': 60 },
  });
});
