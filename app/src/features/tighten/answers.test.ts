import { demoSheets, Technician } from '@stennet/core/testing';
import { next, type PullNext } from '@stennet/core/run';
import { answersTo, keysLine } from './answers';

/** One pull of each kind that the demo sheets have: action, outcomes and tool. */
function kindsOfPull(): Map<string, PullNext> {
  const found = new Map<string, PullNext>();
  for (const sheet of demoSheets) {
    const t = new Technician(sheet);
    for (let i = 0; i < 2000; i += 1) {
      const due = next(t.state);
      if (due.kind === 'pull')
        found.set(
          `${due.task.action} ${due.stage.finalTorque ?? ''} ${due.outcomes.join('/')}`,
          due,
        );
      if (!t.step()) break;
    }
  }
  return found;
}
const kinds = [...kindsOfPull()];

test('there are pulls of every kind to look at', () => {
  expect(kinds.map(([kind]) => kind.split(' ')[0])).toEqual(
    expect.arrayContaining([
      'torque',
      'angle',
      'check',
      'loosen',
      'handStart',
      'runDown',
      'stretch',
    ]),
  );
});

test.each(kinds)(
  '%s: each key stores what its button says, and the line below says the same',
  (_kind, due) => {
    const answers = answersTo(due);
    expect(answers.map((a) => a.outcome)).toEqual([...due.outcomes]);
    const keys = answers.flatMap((a) => a.keys);
    expect(new Set(keys).size).toBe(keys.length);
    const line = keysLine(answers);
    for (const a of answers) if (a.keys.length > 0) expect(line).toContain(a.label);
    const enter = answers.find((a) => a.keys.includes('Enter'));
    expect(line.indexOf(enter?.label ?? '?')).toBe(line.indexOf(answers[0]?.label ?? ''));
  },
);

test('where the sheet limits the movement, the limit is on the button', () => {
  const settling = kinds.map(([, due]) => due).find((d) => d.stage.repeat?.kind === 'untilSettled');
  const limit =
    settling?.stage.repeat?.kind === 'untilSettled' ? settling.stage.repeat.movedMoreThanDeg : 0;
  expect(settling && answersTo(settling).map((a) => a.hint)).toEqual([
    `more than ${limit}°`,
    `${limit}° or less`,
  ]);
});
