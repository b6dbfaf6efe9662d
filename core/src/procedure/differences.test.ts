import { demoSheet, demoSheets } from '../testing';
import { differences } from './differences';

const texts = (a: string, b: string, revision?: string): string[] =>
  differences(demoSheet(a), demoSheet(b, revision)).map((d) => d.text);

test('a superseded revision differs by its values, each with its ratio; where an angle follows, by the clamp load after it', () => {
  expect(texts('brenna-2-0-head', 'brenna-2-0-head', 'B')).toEqual([
    'M10 10.9: after the angle, “Cylinder head, Brenna 2.0” (rev B) gives about 1% less clamp load.',
    '“50 N·m” is 45 N·m there, 10% lower.',
    '“+65°” is 60° there, 8% lower.',
  ]);
});

test('a conflicting source says what its value would do to the joint', () => {
  expect(texts('tf25-pressure-plate', 'tf25-pressure-plate-old')).toContain(
    'M8 8.8: final torque in “Pressure plate, TF25, leaflet” (rev A) is 56% lower; the joint stays loose.',
  );
  const mine = demoSheet('tf25-pressure-plate');
  const high = {
    ...mine,
    title: 'Rumour',
    stages: mine.stages.map((s) =>
      s.action === 'torque' ? { ...s, target: { value: 52.5, unit: 'N.m' as const } } : s,
    ),
  };
  expect(differences(mine, high)[0]).toEqual({
    what: 'value',
    isGrave: true,
    text: 'M8 8.8: final torque in “Rumour” (rev B) is 2.1 times as high; past yield at normal friction.',
  });
});

test('two look-alikes differ by thread, head, reuse and build date', () => {
  const all = texts('brenna-2-0-head', 'brenna-2-0-head-early').join(' ');
  for (const part of [
    'There: M11 × 1.5, 10.9',
    'There: 12-point head',
    'There: reused if within length. Here: one-time use: new ones only',
    'There: built to 2016-01-31. Here: built from 2016-02-01',
  ])
    expect(all).toContain(part);
});

test('a sheet differs in nothing from itself', () => {
  for (const sheet of demoSheets) expect(differences(sheet, sheet)).toEqual([]);
});
