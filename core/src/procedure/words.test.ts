import { createFormatter } from '../quantity';
import { demoSheet, demoSheets, headSheet } from '../testing';
import { compoundText, dueWords, repeatWords, stageWords, threadText } from '.';

const format = createFormatter({
  locale: 'de-DE',
  timeZone: 'Europe/Berlin',
  paper: 'A4',
  torqueUnit: 'N.m',
});

test('a compound with its strength, its place, its length, and whether it comes on the fastener', () => {
  expect(
    compoundText({
      kind: 'thread-locker',
      place: 'threads',
      strength: 'medium',
      preApplied: 'only',
    }),
  ).toBe('medium-strength threadlocker on threads, pre-applied: add none');
  expect(compoundText({ kind: 'engine oil', place: 'under head' })).toBe(
    'engine oil on the underside of the head',
  );
  expect(compoundText({ kind: 'thread sealant', place: 'threads', lengthMm: 12 })).toBe(
    'thread sealant on threads, 12 mm',
  );
});

test('threads with the pitch where the name does not say it, in the shop’s numbers', () => {
  const [bolts] = headSheet.groups;
  const [rod] = demoSheet('bv48-rods').groups;
  expect(bolts && threadText(bolts, 10, format)).toBe('10 × M10 × 1,5, 10.9');
  expect(rod && threadText(rod, 2, format)).toBe('2 × 7/16-20, SAE 8');
});

test('every stage, repeat and step of the demo sheets is said without holes', () => {
  for (const sheet of demoSheets) {
    const said = [
      ...sheet.stages.map((s) => `${stageWords(s, format)} ${repeatWords(s)}`),
      ...sheet.steps.map((s) => dueWords(s, sheet)),
    ];
    for (const words of said) expect(words).not.toMatch(/undefined|null|NaN|^ *$/);
  }
  expect(
    repeatWords({
      ...(headSheet.stages[0] as (typeof headSheet.stages)[number]),
      repeat: { kind: 'untilSettled', maxPasses: 5, movedMoreThanDeg: 3 },
    }),
  ).toBe('repeat until no bolt moves more than 3°, max 5 passes');
});
