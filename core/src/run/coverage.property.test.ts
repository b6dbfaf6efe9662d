import fc from 'fast-check';
import { AppError } from '../errors';
import { isByFastener, isOn, isOwedByPosition, type Stage } from '../procedure';
import { PLACE, refusal, Technician } from '../testing';
import { perform } from '../testing/clumsy';
import { moveArbitrary, type Move } from '../testing/moves';
import { buildSheet } from '../testing/sheetPlans';
import { planArbitrary } from '../testing/sheetParts';
import { DEFAULT_TOLERANCE, next, uncovered, type EventOf, type RunEvent, type RunState } from '.';

/**
 * Long runs with many mishaps, so that take-overs, corrections and replacements meet each other.
 */
const moves = fc.array(moveArbitrary, { minLength: 40, maxLength: 160, size: 'max' });
const RUNS = process.env.STENNET_ALL ? 20_000 : 50;
if (!process.env.STENNET_ALL) fc.configureGlobal({ seed: 20261128 });

const seen = new Map<string, number>();
const note = (what: string): void => void seen.set(what, (seen.get(what) ?? 0) + 1);

function play(t: Technician, list: readonly Move[]): void {
  const met = new Set<string>();
  for (const m of list) {
    try {
      perform(t, m);
      met.add(m.kind);
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
    }
    const due = next(t.state);
    if (due.kind === 'hold') met.add(`hold ${due.hold.kind}`);
    if (due.kind === 'slacken') met.add('slacken');
    // Whatever happened: while something is not accounted for, it cannot be finished.
    if (due.kind !== 'finish' && t.state.status === 'open')
      expect(refusal(() => t.do('finished', {}))).not.toBe('RUN_FINISHED');
  }
  for (const what of met) note(what);
}

/** Whether what was said adds up to the angle: each pull what it read, else all of the target. */
function hasTurnedFar(stage: Stage, pulls: readonly EventOf<'pulled'>[]): boolean {
  if (stage.action !== 'angle' || stage.target === undefined || !('value' in stage.target))
    return true;
  const target = stage.target.value;
  return (
    pulls.reduce((sum, e) => sum + (e.payload.reading?.value ?? target), 0) >=
    target - (stage.tolerance?.minus ?? DEFAULT_TOLERANCE.angleDeg)
  );
}

/**
 * By the list of what was said alone, without the run's own books: is there a word for this
 * fastener in this stage?
 */
function isAccountedFor(state: RunState, seat: string, index: number): boolean {
  const stage = state.sheet.stages[index];
  if (!stage) return true;
  const life = state.progress.seats[seat]?.life ?? 1;
  const byPosition =
    isOwedByPosition(stage) ||
    state.sheet.stages.some(
      (s, i) => i > index && s.action === 'swap' && isOn(state.sheet, i, seat),
    );
  const isIt = (fastener: string): boolean =>
    byPosition ? fastener.split('/')[0] === seat : fastener === `${seat}/${life}`;
  const counted: RunEvent[] = state.effective.toArray().map((c) => c.event);
  const pulls = counted
    .filter((e) => e.type === 'pulled')
    .filter((e) => e.payload.stage === stage.id && isIt(e.payload.fastener));
  const hasReached =
    hasTurnedFar(stage, pulls) &&
    pulls.some((e) => e.payload.outcome !== 'noClick' && e.payload.outcome !== 'stoppedShort');
  const isSaid = counted.some(
    (e) =>
      (e.type === 'passConfirmed' &&
        e.payload.stage === stage.id &&
        e.payload.fasteners.some(isIt)) ||
      (e.type === 'reconciled' &&
        e.payload.stage === stage.id &&
        e.payload.fasteners.some((f) => f.found === 'turned' && isIt(f.fastener))),
  );
  return (
    hasReached ||
    isSaid ||
    state.progress.deviations.some(
      (d) =>
        d.fastener !== null && isIt(d.fastener) && (d.stage === stage.id || d.kind === 'leftOut'),
    )
  );
}

test('after any take-over, undo, correction, failure, replacement and claim every fastener and stage is accounted for at the end', () => {
  fc.assert(
    fc.property(planArbitrary, moves, (plan, list) => {
      const t = new Technician(buildSheet(plan), { ...PLACE });
      play(t, list);
      t.finish();
      expect(t.state.status).toBe('finished');
      expect(uncovered(t.state)).toEqual([]);
      for (const seat of Object.keys(t.state.progress.seats)) {
        if (t.state.progress.seats[seat]?.leftOut) continue;
        const missing = t.state.sheet.stages.filter(
          (s, i) =>
            isByFastener(s) &&
            s.action !== 'swap' &&
            isOn(t.state.sheet, i, seat) &&
            !isAccountedFor(t.state, seat, i),
        );
        expect(missing.map((s) => `${seat} ${s.id}`)).toEqual([]);
      }
    }),
    { numRuns: RUNS },
  );
  const share = [...seen].sort().map(([what, n]) => `${what} ${((100 * n) / RUNS).toFixed(0)}%`);
  process.stdout.write(`\ncoverage of ${RUNS} runs: ${share.join(' · ')}\n`);
  for (const what of [
    'takeOver',
    'undo',
    'correct',
    'fails',
    'claims',
    'way',
    'slacken',
    'hold failed',
    'hold claim',
    'hold refused',
    'hold above',
  ])
    expect(seen.get(what) ?? 0).toBeGreaterThan(RUNS / 100);
});
