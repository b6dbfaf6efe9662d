import { demoSheets, Technician } from '../testing';
import { next, rungsOf, type FailureKind } from '.';

const apart = demoSheets.filter((s) => s.takeApart.some((stage) => stage.action === 'loosen'));

/**
 * What would not come out comes out after all: the fastener is through, whatever was wrong with it.
 */
test.each(
  apart.flatMap((sheet) =>
    (['wontLoosen', 'driveRounded'] as FailureKind[]).map(
      (kind) => [sheet.id, kind, sheet] as const,
    ),
  ),
)('%s, %s: it came loose after all', (_id, kind, sheet) => {
  const instance = sheet.instances?.labels[0];
  const t = new Technician(sheet, undefined, {
    part: 'takeApart',
    ...(instance ? { instance } : {}),
  });
  const due = t.until((d) => d.kind === 'pull' && d.task.action === 'loosen');
  if (due.kind !== 'pull') throw new Error(due.kind);
  t.step({ fails: kind });
  if (rungsOf(t.state.sheet, kind).length > 0) {
    const hold = next(t.state);
    if (hold.kind === 'hold' && hold.hold.kind === 'failed' && hold.hold.rung)
      t.do('stepDone', { step: hold.hold.rung, answer: 'worked', fasteners: [due.fastener] });
  }
  const hold = next(t.state);
  expect(hold).toMatchObject({ kind: 'hold', ways: expect.arrayContaining(['again']) });
  if (hold.kind !== 'hold') return;
  t.do('pulled', {
    fastener: due.fastener,
    stage: hold.stage.id,
    ...(due.task.part ? { part: due.task.part.id } : {}),
    pass: t.state.progress.pass,
    outcome: 'done',
    method: 'byHand',
    verdict: 'inTolerance',
    core: '',
  });
  const after = next(t.state);
  expect(after).not.toMatchObject({ kind: 'hold', fastener: due.fastener });
  expect(t.state.progress.seats[due.seat]?.failed).toBeNull();
  expect(
    after.kind === 'pull' && after.fastener === due.fastener && after.stage.id === due.stage.id,
  ).toBe(false);
});
