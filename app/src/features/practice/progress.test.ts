import type { PracticeAttempt } from '@stennet/core/contract/work';
import { nextExercise, standingsOf } from './progress';

const attempt = (exercise: PracticeAttempt['exercise'], passed: boolean, at: string) =>
  ({ id: at, person: 'rafi', exercise, passed, at }) as PracticeAttempt;
const RULES = [{ role: 'technician', kind: 'cylinder-head', exercise: 'slipped' }] as const;

test('passed once is passed, however often it is tried after; the first open one is next', () => {
  const attempts = [
    attempt('gauge', false, '2026-11-25'),
    attempt('firstWrench', false, '2026-11-24'),
    attempt('firstWrench', true, '2026-11-23'),
    { ...attempt('gauge', true, '2026-11-22'), person: 'jonah' },
  ];
  const standings = standingsOf(attempts, [], { person: 'rafi', role: 'apprentice' });
  expect(standings.slice(0, 2)).toMatchObject([
    { exercise: 'firstWrench', passedAt: '2026-11-23', triedAt: '2026-11-24' },
    { exercise: 'gauge', passedAt: null, triedAt: '2026-11-25' },
  ]);
  expect(nextExercise(standings)).toBe('gauge');
});

test('what the lead asks of this role comes first', () => {
  const of = (role: string) => standingsOf([], RULES, { person: 'rafi', role });
  expect(nextExercise(of('technician'))).toBe('slipped');
  expect(nextExercise(of('apprentice'))).toBe('firstWrench');
  expect(of('technician').find((s) => s.exercise === 'slipped')?.askedFor).toEqual([
    'cylinder-head',
  ]);
});
