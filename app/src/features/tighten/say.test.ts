import { flatsOf } from '@stennet/core/drawing';
import { createFormatter } from '@stennet/core/quantity';
import { next } from '@stennet/core/run';
import { demoSheet, headSheet, Technician } from '@stennet/core/testing';
import { flatsText, lastLine, nextLine, releaseWords, spoken, whereIs } from './say';
import { fastenerName, ordinal } from './text';

const format = createFormatter({
  locale: 'en-GB',
  timeZone: 'UTC',
  paper: 'A4',
  torqueUnit: 'N.m',
});

test('a pull is said with its bolt, its place and the number for the tool in hand', () => {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'pull' && d.fastener === '4/1');
  expect(nextLine(headSheet, format, next(t.state))).toBe(
    'bolt 4, bottom row, 4 of 5 from the left, 239 inch-pounds',
  );
  expect(lastLine(headSheet, t.state.effective.at(-1)?.event)).toBe(
    'bolt 3, 27 N·m until no bolt moves',
  );
  expect(whereIs(headSheet, '9/1')).toBe('top row, 1 of 5 from the left');
});

test('a replacement is named as what it is', () => {
  expect([fastenerName(headSheet, '7/1'), fastenerName(headSheet, '7/2')]).toEqual([
    'bolt 7',
    'bolt 7, new one',
  ]);
});

test('a nut is called a nut, and on a ring a place is said by the clock', () => {
  const head = demoSheet('qs16-head');
  const nut =
    head.seats.find((s) => head.groups.find((g) => g.id === s.group)?.head === 'nut')?.id ?? '';
  expect(fastenerName(head, `${nut}/1`)).toBe(`nut ${nut}`);
  const wheel = demoSheet('ob20-flywheel');
  expect(wheel.seats.map((s) => whereIs(wheel, `${s.id}/1`))).toContain('at 1 o’clock');
});

test('angles are said in flats, places and rounds in ordinals', () => {
  expect([75, 30, 180, 50, 65].map((deg) => flatsText(flatsOf(deg)))).toEqual([
    '1 flat and a quarter',
    'half a flat',
    '3 flats',
    'a bit more than three quarters of a flat',
    'a bit more than 1 flat',
  ]);
  expect([1, 2, 3, 4, 11, 12, 21].map((n) => ordinal(n))).toEqual([
    '1st',
    '2nd',
    '3rd',
    '4th',
    '11th',
    '12th',
    '21st',
  ]);
});

test('whatever only the lead can answer, there are words for: nothing is a dead end', () => {
  const timing = new Technician(demoSheet('cv30-head'));
  timing.until((d) => d.kind === 'hold');
  const broke = new Technician(headSheet);
  broke.until((d) => d.kind === 'pull');
  broke.step({ fails: 'broke' });
  const far = new Technician(headSheet);
  far.until((d) => d.kind === 'pull' && d.stage.id === 'second-angle');
  far.step({ turnedDeg: 150 });
  const replaced = new Technician(headSheet);
  replaced.until((d) => d.kind === 'pull' && d.stage.id === 'second-angle');
  replaced.step({ fails: 'broke' });
  replaced.do('swapped', { fastener: '1/1', replacement: '1/2', condition: 'new' });
  for (const t of [timing, broke, far, replaced]) {
    const due = next(t.state);
    if (due.kind !== 'hold' || !due.ways.includes('statement')) continue;
    const words = releaseWords(due);
    expect(words.length).toBeGreaterThan(0);
    for (const { say, label } of words) {
      const before = t.clone();
      before.lead(say as Parameters<Technician['lead']>[0]);
      expect([label, next(before.state)]).not.toEqual([label, due]);
    }
  }
  expect([timing, broke, far].every((t) => next(t.state).kind === 'hold')).toBe(true);
});

test('signs are spoken: inch-pounds and newton metres never sound alike', () => {
  expect(spoken('bolt 7, 27 N·m')).toBe('bolt 7, 27 newton metres');
  expect(spoken('bolt 7, 44 lbf·in')).toBe('bolt 7, 44 inch-pounds');
  expect(spoken('bolt 7, +75°')).toBe('bolt 7, 75 degrees');
});
