import {
  atStage,
  demoSheet,
  headSheet,
  holdDue,
  pullDue,
  refusal,
  Technician,
  testId,
} from '../testing';
import { CORE_VERSION, next, type PayloadOf } from '.';

const stripe = (t: Technician, stripeDeg: number): PayloadOf<'pulled'> => ({
  fastener: holdDue(t.state).fastener ?? '',
  stage: holdDue(t.state).stage.id,
  pass: t.state.progress.pass,
  outcome: 'reached',
  method: 'stripe',
  stripeDeg,
  verdict: 'inTolerance',
  core: CORE_VERSION,
});

/** Another phone takes over in the second angle stage; of the third fastener no one can tell. */
function tookOver(): Technician {
  const t = new Technician(headSheet);
  t.until((d) => atStage('second-angle')(d) && pullDue(t.state).ordinal === 3);
  t.takeOver(testId(77));
  const due = next(t.state);
  if (due.kind !== 'reconcile') throw new Error(due.kind);
  t.do('reconciled', {
    stage: due.stage.id,
    pass: due.pass,
    fasteners: due.fasteners.map((fastener, i) => ({
      fastener,
      found:
        i === 2
          ? ('cannotTell' as const)
          : due.believedTurned.includes(fastener)
            ? ('turned' as const)
            : ('notTurned' as const),
    })),
  });
  return t;
}

test('after a take-over the stripe is read from where it was painted: the earlier stage’s angle is no turn of this one', () => {
  const t = tookOver();
  const { fastener } = holdDue(t.state);
  t.do('pulled', stripe(t, 75));
  t.until((d) => d.kind === 'pull');
  expect(pullDue(t.state)).toMatchObject({ fastener, inHand: { value: 65, unit: 'deg' } });
  t.finish();
  expect(t.state.progress.seats[pullSeat(fastener)]?.turnedDeg).toEqual({
    'first-angle': 75,
    'second-angle': 65,
  });
});

test('part of the way: what is missing is asked for, and no more', () => {
  const t = tookOver();
  const { fastener } = holdDue(t.state);
  t.do('pulled', stripe(t, 75 + 40));
  t.until((d) => d.kind === 'pull');
  expect(pullDue(t.state)).toMatchObject({ fastener, inHand: { value: 25, unit: 'deg' } });
});

test('all of it: closed; a stripe behind where it stood is refused', () => {
  const t = tookOver();
  const { fastener } = holdDue(t.state);
  expect(refusal(() => t.do('pulled', stripe(t, 40)))).toBe('STRIPE_BEHIND');
  t.do('pulled', stripe(t, 140));
  t.until((d) => d.kind === 'pull');
  expect(pullDue(t.state).fastener).not.toBe(fastener);
});

test('in the first angle stage zero is an answer', () => {
  const t = new Technician(headSheet);
  t.until(atStage('first-angle'));
  t.step({ fails: 'angleLost' });
  t.do('pulled', stripe(t, 0));
  expect(pullDue(t.state)).toMatchObject({ fastener: '1/1', inHand: { value: 75 } });
});

test('a one-time-use bolt whose angle is lost is read or replaced, never slackened and brought back', () => {
  const t = new Technician(headSheet);
  t.until(atStage('first-angle'));
  t.step({ fails: 'angleLost' });
  expect(holdDue(t.state).ways).toEqual(['readStripe', 'replace', 'statement']);
  expect(refusal(() => t.do('restarted', { fastener: '1/1', slackened: true }))).toBe(
    'ONE_TIME_USE',
  );
});

test('each at a time: a bolt is striped after its own torque, and the others are not', () => {
  const t = new Technician(demoSheet('cv30-rods'));
  const due = t.until((d) => d.kind === 'mark');
  expect(due).toMatchObject({ fasteners: [expect.any(String)] });
  const [own = ''] = due.kind === 'mark' ? due.fasteners : [];
  const seats = Object.values(t.state.progress.seats);
  expect(seats.filter((s) => s.parts > 0).map((s) => s.seat)).toEqual([pullSeat(own)]);
});

test('painted again after any slackening, and never evidence before', () => {
  const t = new Technician(demoSheet('bv48-head'));
  t.until((d) => d.kind === 'mark');
  t.step();
  const first = [...t.state.events].filter(
    (e) => e.type === 'stepDone' && e.payload.step === 'mark',
  ).length;
  t.until((d) => d.kind === 'mark');
  expect(Object.values(t.state.progress.seats).some((s) => s.marked)).toBe(false);
  t.finish();
  expect(
    [...t.state.events].filter((e) => e.type === 'stepDone' && e.payload.step === 'mark'),
  ).toHaveLength(first + 1);
});

const pullSeat = (fastener: string | null): string => fastener?.split('/')[0] ?? '';
