import fc from 'fast-check';
import { AppError } from '../errors';
import type { Sheet } from '../procedure';
import { planArbitrary, buildSheet } from '../testing';
import { moves, play, RUNS } from '../testing/play';
import { admit } from './admit';
import type { RunEvent } from './events';
import { initialState, evolve } from './evolve';
import type { RunState } from './state';

/** A server in small: what the real one does with a batch, without its database. */
class Server {
  list: RunEvent[] = [];
  private state: RunState;
  constructor(sheet: Sheet) {
    this.state = initialState(sheet);
  }
  receive(batch: readonly RunEvent[]): void {
    for (const event of batch) {
      if (this.list.some((e) => e.id === event.id)) continue;
      try {
        admit(this.state, event);
      } catch (error) {
        if (!(error instanceof AppError)) throw error;
        return; // a gap: the device sends again from what is missing
      }
      this.state = evolve(this.state, event);
      this.list.push(event);
    }
  }
}

test('any loss, doubling and reordering of deliveries, with retries, stores the same list', () => {
  const delivery = fc.record({
    from: fc.nat(),
    length: fc.integer({ min: 1, max: 25 }),
    lost: fc.boolean(),
    shuffle: fc.boolean(),
  });
  fc.assert(
    fc.property(
      planArbitrary,
      moves,
      fc.array(delivery, { maxLength: 30 }),
      (plan, list, deliveries) => {
        const sheet = buildSheet(plan);
        const events = play(sheet, list).state.events.toArray();
        const server = new Server(sheet);
        for (const d of deliveries) {
          const from = d.from % Math.max(events.length, 1);
          const batch = events.slice(from, from + d.length);
          if (!d.lost) server.receive(d.shuffle ? [...batch].reverse() : batch);
        }
        for (let i = 0; i < events.length; i += 10) server.receive(events.slice(0, i + 10));
        server.receive(events);
        expect(server.list).toEqual(events);
      },
    ),
    { numRuns: Math.ceil(RUNS / 2) },
  );
});
