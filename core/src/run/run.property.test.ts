import fc from 'fast-check';
import * as v from 'valibot';
import { ACTIONS, checkSheet, isByFastener, isOn, ORDERS, type Sheet } from '../procedure';
import type { Move } from '../testing/moves';
import { happened, moves, play, RUNS } from '../testing/play';
import { buildSheet } from '../testing/sheetPlans';
import { BLOCKS, planArbitrary, type SheetPlan } from '../testing/sheetParts';
import { explain, FAILURES, next, owedStage, replay, RunEventSchema, undoable } from '.';
import { expectAngles, slackenedPastYield } from '../testing/expectations';

const over = (title: string, check: (sheet: Sheet, list: Move[]) => void, runs = RUNS): void =>
  test(title, () => {
    fc.assert(
      fc.property(planArbitrary, moves, (plan: SheetPlan, list) => check(buildSheet(plan), list)),
      { numRuns: runs },
    );
  });

test('every plan makes a sheet without an error, and every block occurs', () => {
  const blocks = new Set<string>();
  fc.assert(
    fc.property(planArbitrary, (plan) => {
      for (const b of plan.blocks) blocks.add(b);
      expect(checkSheet(buildSheet(plan)).filter((f) => f.level === 'error')).toEqual([]);
    }),
    { numRuns: RUNS },
  );
  expect([...blocks].sort()).toEqual([...BLOCKS].sort());
});

describe('over generated sheets and clumsy technicians', () => {
  afterAll(() => {
    const { seen, cases } = happened();
    const share = (what: string): number => (100 * (seen.get(what) ?? 0)) / cases;
    const all = [...seen.keys()].sort().map((k) => `${k} ${share(k).toFixed(0)} %`);
    process.stdout.write(`\ncoverage of ${cases} cases: ${all.join(' · ')}\n`);
    const wanted = [
      ...ACTIONS.map((a) => `action ${a}`),
      ...ORDERS.map((o) => `order ${o}`),
      ...['once', 'passes', 'untilSettled', 'untilSeated'].map((r) => `repeat ${r}`),
      ...FAILURES.map((f) => `failure ${f}`),
      ...[
        'failed',
        'notSettled',
        'named',
        'above',
        'replaced',
        'refused',
        'claim',
        'belowFloor',
        'notSeated',
      ].map((h) => `hold ${h}`),
      ...[
        'chooseValue',
        'fit',
        'step',
        'neighbours',
        'swap',
        'chooseTool',
        'setTool',
        'mark',
        'pull',
        'round',
        'wait',
        'waitClock',
        'turnCrank',
        'hold',
        'reconcile',
        'finish',
        'done',
      ].map((k) => `next ${k}`),
    ];
    expect(wanted.filter((what) => share(what) < 1)).toEqual([]);
  });

  over(
    'no stage starts on a fastener before its earlier stages; an angle it has is never asked for again',
    (sheet, list) => {
      play(sheet, list, (_before, after) => {
        const due = next(after);
        expect(explain(sheet, due)).toMatch(/\S/);
        if (due.kind !== 'pull') return;
        const seat = after.progress.seats[due.seat];
        if (!seat) throw new Error(`no seat ${due.seat}`);
        const earlier = after.sheet.stages
          .slice(0, due.stageIndex)
          .filter((s, i) => isByFastener(s) && isOn(after.sheet, i, due.seat));
        expect(earlier.filter((s) => !seat.done[s.id])).toEqual([]);
        if (due.task.action !== 'angle') return;
        const turned = seat.turnedDeg[due.task.key] ?? 0;
        expect(due.inHand?.value).toBeCloseTo((due.target?.value ?? NaN) - turned, 9);
        expect(seat.done[due.stage.id]).toBeUndefined();
      });
    },
  );

  over(
    'a pull of a whole angle, once admitted, is not followed by asking that fastener for the whole angle',
    (sheet, list) => {
      // Kept apart from the run’s own books: what each fastener was turned by since it was last
      // slackened or taken back.
      play(sheet, list, (before, after) => {
        const due = next(after);
        const last = after.events.at(-1);
        if (
          after === before ||
          last?.type !== 'pulled' ||
          due.kind !== 'pull' ||
          due.task.action !== 'angle'
        )
          return;
        const { fastener, stage, part, outcome, reading } = last.payload;
        const isWhole =
          outcome === 'reached' &&
          (reading === undefined || reading.value >= (due.target?.value ?? 0));
        const isSame =
          due.fastener === fastener && due.stage.id === stage && due.task.part?.id === part;
        expect(isWhole && isSame).toBe(false);
      });
    },
  );

  over(
    'what is let in can be stored: it passes the contract, and replayed it gives the live state',
    (sheet, list) => {
      const { state } = play(sheet, list);
      const stored = JSON.parse(JSON.stringify(state.events.toArray())) as unknown[];
      const read = stored.map((e) => v.parse(RunEventSchema, e));
      const again = replay(sheet, read);
      expect(again.progress).toEqual(state.progress);
      expect([...again.effective].map((c) => c.event)).toEqual(
        [...state.effective].map((c) => c.event),
      );
      expect({ ...again, progress: 0, effective: 0, events: 0 }).toEqual({
        ...state,
        progress: 0,
        effective: 0,
        events: 0,
      });
    },
  );

  over('undo restores what was before, and the history keeps both', (sheet, list) => {
    const t = play(sheet, list);
    const before = t.state;
    if (before.status !== 'open' || next(before).kind === 'reconcile') return;
    const made = t.step();
    if (!made || undoable(t.state)?.id !== made.id) return;
    t.do('undone', { event: made.id });
    expect(t.state.progress).toEqual(before.progress);
    expect(next(t.state)).toEqual(next(before));
    expect(t.state.events.length).toBe(before.events.length + 2);
  });

  over(
    'from anywhere an obedient technician comes to the end; every fastener has every stage, or the lead left it out by name',
    (sheet, list) => {
      const t = play(sheet, list);
      t.finish();
      expect(t.state.status).toBe('finished');
      for (const seat of Object.values(t.state.progress.seats)) {
        const isOut = t.state.progress.deviations.some(
          (d) => d.kind === 'leftOut' && d.fastener === `${seat.seat}/${seat.life}`,
        );
        expect(seat.leftOut).toBe(isOut);
        if (isOut) continue;
        expect(owedStage(t.state.sheet, seat)).toBe(t.state.sheet.stages.length);
        expect([seat.failed, seat.usedUp]).toEqual([null, null]);
        expectAngles(t.state, seat.seat);
      }
    },
  );

  over('a one-time-use fastener that came loose past yield never stays in', (sheet, list) => {
    const t = play(sheet, list);
    t.finish();
    for (const [seatId, yieldedLife] of slackenedPastYield(t.state)) {
      const seat = t.state.progress.seats[seatId];
      expect(seat?.leftOut || (seat?.life ?? 0) > yieldedLife).toBe(true);
    }
  });
});
