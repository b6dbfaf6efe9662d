import { totalsOf, type Sheet } from '../procedure';
import { next } from '../run';
import { demoSheet, demoSheets, headSheet } from '../testing';
import { rehearsal, type Asked, type Ended } from '.';

function rehearse(sheet: Sheet, instance?: string): { asked: Asked[]; ended: Ended } {
  const asked: Asked[] = [];
  const played = rehearsal(sheet, instance);
  for (;;) {
    const { done, value } = played.next();
    if (done) return { asked, ended: value };
    asked.push(value);
  }
}

test('every demo sheet comes to its end, and asks what the run asks', () => {
  for (const sheet of demoSheets) {
    const { asked, ended } = rehearse(sheet);
    expect([sheet.id, ended, asked.length > 0]).toEqual([sheet.id, { done: true }, true]);
    for (const { due, state } of asked) expect(next(state)).toEqual(due);
    expect(asked.every((a) => a.words.length > 0)).toBe(true);
  }
});

test('each of its banks, caps or cylinders can be played through', () => {
  for (const instance of ['left', 'right'])
    expect(rehearse(demoSheet('tf25-head'), instance).ended).toEqual({ done: true });
});

test('a sheet that cannot be led is stopped with a reason, not thrown at', () => {
  const broken = {
    ...headSheet,
    stages: headSheet.stages.map((s) => ({ ...s, on: ['nobody'] })),
  };
  expect(rehearse(broken)).toEqual({
    asked: [],
    ended: { stopped: 'This sheet has no fastener, group or tag “nobody”.' },
  });
});

test('totals tell inner bolts from outer ones, and count angles from the last loosening', () => {
  expect(totalsOf(headSheet)).toEqual([
    {
      seats: headSheet.seats.map((s) => s.id),
      values: ['27 N·m', '50 N·m', '+75°', '+65°'],
      degrees: 140,
    },
  ]);
  const totals = totalsOf(demoSheet('tf25-head'));
  expect(totals.map((t) => t.degrees).sort()).toEqual([65, 90]);
  expect(totals.every((t) => t.values.filter((v) => v.endsWith('°')).length === 1)).toBe(true);
});
