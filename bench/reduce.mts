// Reducing 10,000 events, against a bare loop over the same events; and whether the cost of one
// grows with the list.
import { headSheet, PLACE, Technician } from '../core/src/testing/index.ts';
import {
  admit,
  evolve,
  initialState,
  next,
  undoable,
  type RunEvent,
  type RunState,
} from '../core/src/run/index.ts';

const EVENTS = 10_000;
const ROUNDS = 7;

function longRun(): RunEvent[] {
  const t = new Technician(headSheet, PLACE);
  t.until((due) => due.kind === 'pull' && due.stage.id === 'snug');
  t.step();
  while (t.state.events.length < EVENTS) {
    const due = next(t.state);
    if (due.kind !== 'pull' || due.ordinal > 8) {
      for (let i = 0; i < 5; i += 1) t.do('undone', { event: undoable(t.state)?.id ?? '' });
      continue;
    }
    t.step();
    t.do('undone', { event: undoable(t.state)?.id ?? '' });
    t.do('paused', {});
    t.step();
    t.step();
  }
  return t.state.events.toArray().slice(0, EVENTS);
}

const timed = (work: () => void): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};
const median = (xs: number[]): number =>
  [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;

const events = longRun();
const rounds = {
  bare: [] as number[],
  evolve: [] as number[],
  admit: [] as number[],
  early: [] as number[],
  late: [] as number[],
};
for (let i = 0; i < ROUNDS; i += 1) {
  rounds.bare.push(
    timed(() => {
      let acc = { seq: 0, last: null as RunEvent | null };
      for (const e of events) acc = { ...acc, seq: acc.seq + e.seq, last: e };
      if (acc.seq < 0) throw new Error();
    }),
  );
  let state: RunState = initialState(headSheet);
  let early = 0;
  let late = 0;
  rounds.evolve.push(
    timed(() => {
      for (const [k, e] of events.entries()) {
        const from = performance.now();
        state = evolve(state, e);
        const took = performance.now() - from;
        if (k >= 1000 && k < 2000) early += took;
        if (k >= EVENTS - 1000) late += took;
      }
      next(state);
    }),
  );
  rounds.early.push(early);
  rounds.late.push(late);
  let admitted: RunState = initialState(headSheet);
  rounds.admit.push(
    timed(() => {
      for (const e of events) {
        admit(admitted, e);
        admitted = evolve(admitted, e);
      }
    }),
  );
}
console.log(
  JSON.stringify({
    events: EVENTS,
    bare: median(rounds.bare),
    evolve: median(rounds.evolve),
    admit: median(rounds.admit),
    early: median(rounds.early),
    late: median(rounds.late),
  }),
);
