import { demoSheets } from '../testing';
import { isOwedByPosition } from '../procedure';
import { lifeOf, next } from '.';
import { MISHAPS, five, begin } from '../testing/mishaps';
import { type Moment, momentsOf } from '../testing/mishapMoments';

describe.each(demoSheets.map((s) => [`${s.id} ${s.revision}`, s] as const))(
  'on %s',
  (_name, sheet) => {
    let moments: Moment[] = [];
    beforeAll(() => {
      moments = momentsOf(sheet);
    });

    test.each(MISHAPS.map((m) => [m.name, m] as const))('%s, at every stage', (_title, mishap) => {
      for (const moment of moments.filter((m) => mishap.fits(m.due))) {
        const t = moment.t.clone();
        mishap.happens(t, moment.due);
        mishap.then(five(t), moment.due, t, moment.t.state);
        t.finish();
        expect(t.state.status).toBe('finished');
      }
    });

    test('an absent lead is no dead end: a hold point that is the lead’s waits, others go on pending', () => {
      const t = begin(sheet, 'procedure');
      for (let due = next(t.state); due.kind !== 'done'; due = next(t.state)) {
        if (due.kind === 'hold' && due.ways.includes('pending'))
          t.do('held', { hold: due.stage.id, decision: 'pendingLead' });
        else
          t.step(
            due.kind === 'pull' && due.task.settling && due.task.action === 'torque'
              ? { moved: true }
              : {},
          );
      }
      const settling = t.state.sheet.stages.some(
        (s) => s.repeat?.kind === 'untilSettled' && s.action === 'torque' && !isOwedByPosition(s),
      );
      expect(t.state.progress.deviations.some((d) => d.kind === 'notSettled' && d.needsLead)).toBe(
        settling,
      );
    });
  },
);

test('the replacement of a replacement is the third one there', () => {
  const sheet = demoSheets.find((s) => s.id === 'brenna-2-0-head' && s.revision === 'C');
  if (!sheet) throw new Error();
  const t = begin(sheet, 'procedure');
  t.until((d) => d.kind === 'pull' && d.stage.id === 'snug');
  for (const life of [2, 3]) {
    t.step({ fails: 'broke' });
    const due = next(t.state);
    if (due.kind !== 'hold') throw new Error(due.kind);
    expect(lifeOf(due.replacement ?? '')).toBe(life);
    t.step();
    t.until((d) => d.kind === 'pull' && d.seat === '1');
  }
  t.finish();
});
