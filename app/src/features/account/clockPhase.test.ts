import { minutes, phaseOf } from './clockPhase';

const START = Date.parse('2026-11-25T10:00:00Z');
const clock = (kind: 'within' | 'notBefore', wholeMinutes: number) => ({
  kind,
  startedAt: new Date(START).toISOString(),
  limitAt: new Date(START + wholeMinutes * 60_000).toISOString(),
});
const after = (n: number): number => START + n * 60_000;

test('an open time warns in its last fifth, a short one two minutes before its end', () => {
  expect(phaseOf(clock('within', 25), after(19))).toBe('running');
  expect(phaseOf(clock('within', 25), after(20.5))).toBe('ending');
  expect(phaseOf(clock('within', 5), after(2.9))).toBe('running');
  expect(phaseOf(clock('within', 5), after(3.1))).toBe('ending');
  expect(phaseOf(clock('within', 25), after(25))).toBe('over');
});

test('a waiting time is waited, not warned of', () => {
  expect(phaseOf(clock('notBefore', 5), after(4.9))).toBe('running');
  expect(phaseOf(clock('notBefore', 5), after(5))).toBe('over');
});

test('minutes and seconds, never one too few', () => {
  expect([minutes(125_000), minutes(59_001), minutes(1), minutes(3_600_000)]).toEqual([
    '2:05',
    '1:00',
    '0:01',
    '60:00',
  ]);
});
