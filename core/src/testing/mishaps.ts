import type { Sheet } from '../procedure';
import {
  type PullNext,
  type Next,
  type RunState,
  FAILURES,
  type FailureKind,
  undoable,
  next,
  fastenerId,
  seatIdOf,
  hasTurned,
} from '../run';
import { Technician } from '../rehearse/technician';

/**
 * Every mishap at every stage of every demo sheet, on the second fastener of the stage where there
 * is one: what `next` says for the five steps that follow, and that the run still comes to its end.
 */
interface Mishap {
  name: string;
  fits: (due: PullNext) => boolean;
  happens: (t: Technician, due: PullNext) => void;
  /** The five things asked for after it, the technician doing as told. */
  then: (steps: readonly Next[], due: PullNext, t: Technician, before: RunState) => void;
}
const pullsOn = (steps: readonly Next[], seat: string): PullNext[] =>
  steps.filter((s): s is PullNext => s.kind === 'pull' && s.seat === seat);
const first = (steps: readonly Next[]): Next => {
  const [one] = steps;
  if (!one) throw new Error('nothing was asked for');
  return one;
};
const isMeasured = (due: PullNext): boolean =>
  ['torque', 'angle', 'stretch', 'check'].includes(due.task.action);
const sheetOf = (t: Technician): Sheet => t.state.sheet;
/** The rest of the sentence: nothing that was done before is asked again of anybody else. */
function leavesTheOthersAlone(steps: readonly Next[], due: PullNext, before: RunState): void {
  for (const s of steps) {
    if (s.kind !== 'pull' || s.seat === due.seat || s.task.action !== 'angle') continue;
    expect(before.progress.seats[s.seat]?.done[s.stage.id]).toBeUndefined();
  }
}
const failure = (kind: FailureKind): Mishap => ({
  name: kind,
  fits: () => true,
  happens: (t) => void t.step({ fails: kind }),
  then: (steps, due, t, before) => {
    const hold = first(steps);
    expect(hold).toMatchObject({
      kind: 'hold',
      hold: { kind: 'failed', seat: due.seat, failure: kind },
      fastener: due.fastener,
    });
    if (hold.kind !== 'hold') return;
    const isApart = before.part === 'takeApart';
    expect(hold.ways).toContain(isApart ? 'again' : 'replace');
    expect(hold.ways).toContain('statement');
    leavesTheOthersAlone(steps, due, before);
    const [after] = steps.slice(1);
    // Replaced after the first angle and left to the lead: held until answered.
    if (after?.kind === 'hold' && after.hold.kind === 'replaced')
      expect(after.ways).toEqual(['statement']);
    for (const p of pullsOn(steps, due.seat)) {
      const earlier = sheetOf(t).stages.slice(0, p.stageIndex);
      expect(earlier.some((s) => s.id === p.stage.id)).toBe(false);
    }
  },
});

export const MISHAPS: readonly Mishap[] = [
  ...FAILURES.filter((kind) => kind !== 'stepAbandoned').map(failure),
  {
    name: 'mis-tapped and taken back',
    fits: () => true,
    happens: (t) => {
      t.step();
      t.do('undone', { event: undoable(t.state)?.id ?? '' });
    },
    then: (steps, due, _t, before) => {
      expect(first(steps)).toEqual(next(before));
      expect(first(steps)).toMatchObject({ kind: 'pull', fastener: due.fastener, pass: due.pass });
    },
  },
  {
    name: 'corrected to not turned',
    fits: isMeasured,
    happens: (t) => {
      const made = t.step();
      t.do('corrected', { event: made?.id ?? '', outcome: 'notTurned', verdict: 'inTolerance' });
    },
    then: (steps, due) => {
      expect(first(steps)).toMatchObject({
        kind: 'pull',
        fastener: due.fastener,
        stage: { id: due.stage.id },
        pass: due.pass,
      });
      // Asked for in full: it was not turned.
      if (due.task.action === 'angle') expect(first(steps)).toMatchObject({ inHand: due.inHand });
    },
  },
  {
    name: 'another one was turned',
    fits: (due) => isMeasured(due) && !due.task.part,
    happens: (t, due) => {
      const others = Object.values(t.state.progress.seats).filter(
        (s) => s.seat !== due.seat && s.fitted && !s.leftOut,
      );
      const other = others.at(-1);
      if (other) t.step({ insteadOf: fastenerId(other.seat, other.life) });
    },
    then: (steps, due, t, before) => {
      const turned =
        t.state.events.at(-1) === before.events.at(-1)
          ? null
          : [...t.state.events][before.events.length];
      const asked = first(steps);
      // Unless the other one now holds the run up, the one on the screen is asked next.
      if (turned && asked.kind === 'pull' && asked.stageIndex === due.stageIndex)
        expect(asked.fastener).toBe(due.fastener);
      else if (turned)
        expect(['hold', 'pull', 'mark', 'setTool', 'chooseTool']).toContain(asked.kind);
    },
  },
  {
    name: 'paused and carried on',
    fits: () => true,
    happens: (t) => void t.do('paused', {}),
    then: (steps, _due, _t, before) => {
      expect(steps.map((s) => s.kind).slice(0, 1)).toEqual(['resume']);
      expect(steps[1]).toEqual(next(before));
    },
  },
  {
    name: 'stopped short',
    fits: (due) =>
      due.task.action === 'torque' || due.task.action === 'angle' || due.task.action === 'stretch',
    happens: (t) => void t.step({ short: true }),
    then: (steps, due, t) => {
      expect(
        t.state.progress.deviations.some(
          (d) => d.kind === 'stoppedShort' && d.fastener === due.fastener && d.needsLead,
        ),
      ).toBe(true);
      if (due.task.action === 'angle')
        for (const p of pullsOn(steps, due.seat))
          expect(p.stage.id === due.stage.id && p.task.key === due.task.key).toBe(false);
    },
  },
  {
    name: 'an angle that fell short of its window',
    fits: (due) => due.task.action === 'angle' && (due.target?.value ?? 0) > 30,
    happens: (t) => void t.step({ turnedDeg: 20 }),
    then: (steps, due) => {
      expect(first(steps)).toMatchObject({
        kind: 'pull',
        fastener: due.fastener,
        reason: 'angleNotReached',
        inHand: { value: (due.target?.value ?? 0) - 20, unit: 'deg' },
      });
      for (const p of steps.slice(1))
        expect(
          p.kind === 'pull' && p.fastener === due.fastener && p.task.key === due.task.key,
        ).toBe(false);
    },
  },
  {
    name: 'an angle far past its window',
    fits: (due) =>
      due.task.action === 'angle' &&
      due.task.tolerance !== null &&
      due.reason !== 'angleNotReached',
    happens: (t, due) => void t.step({ turnedDeg: (due.target?.value ?? 0) + 40 }),
    then: (steps, due) => {
      const hold = first(steps);
      expect(hold).toMatchObject({ kind: 'hold', hold: { kind: 'above', fastener: due.fastener } });
      if (hold.kind === 'hold')
        expect(hold.ways).toEqual(
          hold.hold.kind === 'above' && hold.ways.includes('redo')
            ? ['redo', 'replace', 'pending']
            : ['replace', 'statement'],
        );
    },
  },
  {
    name: 'set aside',
    fits: (due) => due.reason !== 'replacementCatchesUp' && due.task.part === null,
    happens: (t) => void t.step({ aside: true }),
    then: (steps, due) => {
      const [one] = steps;
      if (
        one?.kind === 'pull' &&
        one.stage.id === due.stage.id &&
        due.of > 1 &&
        one.reason !== 'asideLast'
      )
        expect(one.fastener).not.toBe(due.fastener);
      const again = pullsOn(steps, due.seat)[0];
      if (again?.stage.id === due.stage.id && again.pass === due.pass)
        expect(again.reason).toBe('asideLast');
    },
  },
  {
    name: 'eased outside the sheet',
    fits: () => true,
    happens: (t, due) => {
      const tight = Object.values(t.state.progress.seats).find(
        (s) => s.seat !== due.seat && s.fitted && !s.leftOut,
      );
      if (tight)
        t.do('added', { fasteners: [fastenerId(tight.seat, tight.life)], action: 'loosen' });
    },
    then: (steps, _due, t, before) => {
      const added = [...t.state.events].slice(before.events.length).find((e) => e.type === 'added');
      const eased = added?.type === 'added' ? added.payload.fasteners[0] : undefined;
      if (!eased) return;
      const seat = before.progress.seats[seatIdOf(eased)];
      if (seat && hasTurned(seat))
        expect(first(steps)).toMatchObject({
          kind: 'hold',
          hold: { kind: 'failed', failure: 'angleLost' },
          fastener: eased,
        });
      else expect(first(steps).kind).not.toBe('finish');
    },
  },
  {
    name: 'taken over, the stripes read',
    fits: () => true,
    happens: (t) => t.takeOver(t.place.joint),
    then: (steps, due) => {
      const asked = first(steps);
      expect(asked).toMatchObject({
        kind: 'reconcile',
        stage: { id: due.stage.id },
        pass: due.pass,
      });
      if (asked.kind === 'reconcile') expect(asked.fasteners).toContain(due.fastener);
    },
  },
  {
    name: 'the lead leaves it out',
    fits: () => true,
    happens: (t, due) => void t.lead({ kind: 'leaveOut', fastener: due.fastener }),
    then: (steps, due) => {
      for (const s of steps) {
        if (s.kind === 'pull') expect(s.seat).not.toBe(due.seat);
        if ('fasteners' in s) expect(s.fasteners.map(seatIdOf)).not.toContain(due.seat);
      }
    },
  },
];
export function partsOf(sheet: Sheet): string[] {
  return [
    'procedure',
    ...(sheet.takeApart.length > 0 ? ['takeApart'] : []),
    ...sheet.after.flatMap((a) => (a.stages ? [a.id] : [])),
  ];
}

export const begin = (sheet: Sheet, part: string): Technician =>
  new Technician(sheet, undefined, {
    part,
    ...(sheet.instances ? { instance: sheet.instances.labels[0] ?? '' } : {}),
  });
export function five(t: Technician): Next[] {
  const steps: Next[] = [];
  for (let i = 0; i < 5; i += 1) {
    const due = next(t.state);
    steps.push(due);
    if (!t.step()) break;
  }
  return steps;
}
