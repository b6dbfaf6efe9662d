import fc from 'fast-check';
import * as v from 'valibot';
import { AppError } from '../errors';
import { assertRunnable, errorsOf, SheetSchema } from '../procedure';
import { demoSheet, headSheet } from '../testing';
import { missedBy, practiceBy, PUPIL, type Pupil } from '../testing/pupil';
import {
  EXERCISES,
  exercises,
  judgePractice,
  PRACTICE_SHEETS,
  PracticeLogSchema,
  setupFor,
  type ExerciseId,
  type PracticeEntry,
  type PracticeLog,
} from '.';

const judged = (log: PracticeLog, sheet = null as Parameters<typeof setupFor>[1]) =>
  judgePractice(log, setupFor(log, sheet), PUPIL);
const by = (exercise: ExerciseId, seed: number, pupil?: Pupil) =>
  judged(practiceBy({ exercise, seed }, pupil).log);

test('the sheets of practice can be led, say that they are invented, and pass the checks', () => {
  for (const sheet of Object.values(PRACTICE_SHEETS)) {
    expect(v.safeParse(SheetSchema, sheet).issues?.[0]?.message).toBeUndefined();
    expect(() => assertRunnable(sheet)).not.toThrow();
    expect(errorsOf(sheet)).toEqual([]);
    expect(sheet.invented).toBe(true);
  }
});

const SOUND = EXERCISES.filter((id) => !exercises[id].fault);
test.each(SOUND)('a good hand passes “%s” on any joint', (exercise) => {
  for (const seed of [1, 2]) {
    const result = by(exercise, seed);
    expect([seed, missedBy(result.judged), result.better]).toEqual([seed, [], null]);
    expect(result.passed).toBe(true);
  }
});

const REPORTS = {
  bottomed: 'bottomed',
  slipped: 'angleLost',
  wrongLubricant: 'wrongCompound',
  threadGives: 'stripped',
  usedBolt: 'wentSoft',
} as const;
test.each(Object.entries(REPORTS))(
  '“%s” is passed by who says so, and failed by who goes on',
  (id, reports) => {
    const exercise = id as ExerciseId;
    for (const seed of [1, 2, 3]) {
      const found = by(exercise, seed, { reports });
      expect([seed, missedBy(found.judged)]).toEqual([seed, []]);
      const missed = by(exercise, seed);
      expect([seed, missed.passed, missed.better]).toEqual([seed, false, 'found']);
      expect(missed.fault?.wasFound).toBe(false);
    }
  },
);

test('what went wrong is told: too far, not pulled at all, an answer that was not true', () => {
  expect(by('firstWrench', 7, { overshootDeg: 25 }).better).toBe('notOver');
  expect(by('gauge', 7, { overshootDeg: 15 }).better).toBe('angles');
  const idle = by('firstWrench', 7, { idle: true });
  expect([idle.better, idle.bolts.every((b) => b.is === 'short')]).toEqual(['reached', true]);
  expect(missedBy(by('settle', 7, { saysMoved: false }).judged)).toContain('saidTrue');
});

test('a bolt that a colleague turned and no one wrote down gets its angle twice from who trusts the phone', () => {
  const result = by('colleague', 3, { trustsPhone: true });
  expect(result.better).toBe('angles');
  expect(result.bolts.filter((b) => (b.angleOffDeg ?? 0) > 60)).toHaveLength(1);
});

test('the same strokes give the same result, however they are cut up', () => {
  const { log } = practiceBy({ exercise: 'gauge', seed: 11 });
  const cut: PracticeLog = {
    ...log,
    entries: log.entries.flatMap((e): PracticeEntry[] =>
      'hand' in e ? [{ hand: e.hand.flatMap((s) => [Math.ceil(s / 2), Math.floor(s / 2)]) }] : [e],
    ),
  };
  expect(judged(cut)).toEqual(judged(log));
});

test('any sheet can be practiced, with its own loosening, passes and banks', () => {
  for (const sheet of [headSheet, demoSheet('ck12-water-pump'), demoSheet('tf25-head')]) {
    const { log } = practiceBy({ sheet, seed: 5 });
    const result = judged(log, sheet);
    expect([sheet.id, result.judged.find((j) => j.id === 'finished')?.ok]).toEqual([
      sheet.id,
      true,
    ]);
    expect(result.bolts.length).toBeGreaterThan(0);
  }
});

test('what the run refuses can not be slipped into a log', () => {
  const { log } = practiceBy({ exercise: 'firstWrench', seed: 1 });
  const without = { ...log, entries: log.entries.filter((e, i) => 'hand' in e || i > 2) };
  expect(() => judged(without)).toThrow(AppError);
});

test('a log is read strictly, and only under an id of practice', () => {
  const { log } = practiceBy({ exercise: 'firstWrench', seed: 1 });
  const isRead = (of: unknown): boolean => v.safeParse(PracticeLogSchema, of).success;
  expect(isRead(log)).toBe(true);
  expect(isRead({ ...log, id: '5e000000-0000-4000-8000-000000000201' })).toBe(false);
  expect(isRead({ ...log, sheet: { id: 'x', revision: 'A' } })).toBe(false);
  expect(isRead({ ...log, entries: [{ hand: [0] }] })).toBe(false);
  expect(isRead({ ...log, entries: Array(400).fill({ hand: [2800] }) })).toBe(false);
});

test('no stroke ever makes a bolt hold less than nothing, or a hand feel more than its tool gives', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 1e6 }),
      fc.array(
        fc.integer({ min: -160, max: 240 }).filter((n) => n !== 0),
        { maxLength: 12 },
      ),
      (seed, strokes) => {
        const { bench } = practiceBy({ exercise: 'bottomed', seed }, { idle: true });
        for (const s of strokes) bench.move(s);
        for (const clamp of bench.made.joint.clamps()) expect(clamp).toBeGreaterThanOrEqual(0);
      },
    ),
    { numRuns: process.env.STENNET_ALL ? 200 : 10 },
  );
});
