import {
  demoSheet,
  headSheet,
  holdDue,
  methodsDue,
  pullDue,
  refusal,
  Technician,
  WRENCHES,
} from '../testing';
import { tooMuchOf, type PayloadOf } from '.';

const [, large] = WRENCHES;
const digital = { ...large!, kind: 'digital' as const };
/** At the first pull of a stage, with a wrench that shows what it reads. */
function atDigital(stage: string, sheet = headSheet): Technician {
  const t = new Technician(sheet);
  t.until(
    (d) =>
      (d.kind === 'chooseTool' || d.kind === 'setTool' || d.kind === 'pull') &&
      d.stage.id === stage,
  );
  t.do('wrenchChosen', { stage, method: 'digital', wrench: digital });
  t.until((d) => d.kind === 'pull');
  return t;
}
const reads = (value: number): { reading: { value: number; unit: 'N.m' }; outcome?: 'turned' } => ({
  reading: { value, unit: 'N.m' },
});

test('a value without a published tolerance is judged upwards too: the shop’s window holds in both directions', () => {
  const t = atDigital('snug');
  t.pull(pullDue(t.state), reads(54));
  expect(t.state.progress.deviations).toMatchObject([
    { kind: 'above', fastener: '1/1', needsLead: true },
  ]);
});

test.each([
  ['twice what was asked', 104, 'twice'],
  ['past the yield torque of an M10 10.9', 95, 'pastYield'],
])('%s is asked back; confirmed, it stops the run', (_what, value, why) => {
  const t = atDigital('snug');
  const due = pullDue(t.state);
  const said: PayloadOf<'pulled'> = {
    fastener: due.fastener,
    stage: due.stage.id,
    pass: 1,
    outcome: 'clicked',
    method: 'digital',
    verdict: 'above',
    core: '',
    ...reads(value),
  };
  expect(tooMuchOf(t.state.sheet, t.state.progress, said)?.why).toBe(why);
  expect(refusal(() => t.pull(due, reads(value)))).toBe('READING_TOO_MUCH');
  expect(t.state.progress.inPass).toEqual({});
  t.pull(due, { ...reads(value), sure: true });
  expect(holdDue(t.state)).toMatchObject({ hold: { kind: 'above', fastener: due.fastener } });
});

test('an angle of twice the target is asked back, then stops', () => {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'pull' && d.stage.id === 'first-angle');
  const due = pullDue(t.state);
  const reading = { value: 180, unit: 'deg' as const };
  expect(refusal(() => t.pull(due, { reading }))).toBe('READING_TOO_MUCH');
  t.pull(due, { reading, sure: true });
  // Bolts for one use that have begun an angle: slackened and brought back is no way out.
  expect(holdDue(t.state)).toMatchObject({
    hold: { kind: 'above' },
    ways: ['replace', 'statement'],
  });
});

test('a correction is judged by core from its reading, whatever verdict came with it', () => {
  const t = atDigital('snug');
  const first = t.pull(pullDue(t.state), reads(50));
  const reading = { value: 239, unit: 'N.m' as const };
  const correct = {
    event: first.id,
    outcome: 'clicked' as const,
    reading,
    verdict: 'inTolerance' as const,
  };
  expect(refusal(() => t.do('corrected', correct))).toBe('READING_TOO_MUCH');
  t.do('corrected', { ...correct, sure: true });
  expect(holdDue(t.state)).toMatchObject({ hold: { kind: 'above', fastener: '1/1' } });
});

test('by feel only where no wrench is needed: not for a damper bolt at 120 N·m', () => {
  const t = new Technician(demoSheet('bv48-damper'));
  t.until((d) => d.kind === 'chooseTool' && d.stage.id === 'seat');
  expect(methodsDue(t.state)).not.toContain('byFeel');
});

test('past the wrench’s own range is asked back', () => {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'chooseTool' && d.stage.id === 'snug');
  t.do('wrenchChosen', { stage: 'snug', method: 'digital', wrench: { ...digital, max: 55 } });
  t.until((d) => d.kind === 'pull');
  expect(refusal(() => t.pull(pullDue(t.state), reads(56)))).toBe('READING_TOO_MUCH');
});
