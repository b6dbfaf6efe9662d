import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { headSheet, Technician } from '@stennet/core/testing';
import { countUnsent, markSent, runsToSend, waitingOf } from './outbox';

test('what an older app left unsent on this device still goes out', async () => {
  const t = new Technician(headSheet);
  t.until((d) => d.kind === 'pull');
  const older = await openDB('stennet', 3, {
    upgrade(db) {
      for (const name of ['runs', 'events', 'answers', 'drafts', 'library', 'entries'])
        db.createObjectStore(name);
    },
  });
  for (const [i, event] of t.state.events.toArray().entries())
    await older.put('events', { event, sent: i === 0 }, [event.run, event.hold, event.seq]);
  older.close();
  const all = t.state.events.toArray();
  expect(await runsToSend()).toEqual([t.place.run]);
  expect((await waitingOf(t.place.run)).map((e) => e.event.seq)).toEqual(
    all.slice(1).map((e) => e.seq),
  );
  await markSent(all.slice(1, 2));
  expect(await countUnsent()).toEqual({ unsent: all.length - 2, refused: 0 });
});
