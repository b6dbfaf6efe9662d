import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { act, renderHook, waitFor } from '@testing-library/react-native';
import { type AppError } from '@stennet/core/errors';
import { admit, evolve, replay, type RunEvent, type RunState } from '@stennet/core/run';
import { demoSheet, PLACE, Technician, testId } from '@stennet/core/testing';
import { database } from './database';
import { readRun } from './outbox/outbox';
import { useRun } from './runs';

const mockSheet = demoSheet('qs16-head');
const mockMine = testId(77);

/** A server with one run, whose list may grow between a look at it and the next word. */
const mockServer = { state: null as RunState | null, meanwhile: [] as RunEvent[] };
const mockTake = (event: RunEvent): { id: string; position: number; hash: string } => {
  const state = mockServer.state as RunState;
  admit(state, event);
  mockServer.state = evolve(state, event);
  return { id: event.id, position: mockServer.state.events.length, hash: '' };
};
jest.mock('./api', () => ({
  asAppError: (e: unknown) => e,
  call: async (name: string, params: { run: string }, body?: { events: RunEvent[] }) => {
    await Promise.resolve();
    if (name === 'appendRunEvents')
      return { stored: (body?.events ?? []).map(mockTake), refused: null };
    const events = mockServer.state?.events.toArray() ?? [];
    mockServer.meanwhile.splice(0).forEach(mockTake);
    return { id: params.run, sheet: mockSheet, events, headHash: '' };
  },
}));
jest.mock('@/platform/device', () => ({ deviceId: () => mockMine, deviceName: () => 'phone' }));
jest.mock('./outbox/sender', () => ({
  noteConfirmed: () => undefined,
  onRunSent: () => () => undefined,
}));
jest.mock('./stream', () => ({ isLive: () => true, onHint: () => undefined }));

/** Someone else's run, ten pulls in, of which the last have not arrived. */
function elsewhere(run: string, unsent: number): Technician {
  const t = new Technician(mockSheet, { ...PLACE, run });
  t.until((due) => due.kind === 'pull');
  for (let i = 0; i < 10; i += 1) t.step();
  const events = t.state.events.toArray();
  mockServer.state = replay(mockSheet, events.slice(0, events.length - unsent));
  mockServer.meanwhile = [];
  return t;
}

async function opened(run: string) {
  const { result } = await renderHook(() => useRun(run, testId(5)));
  await waitFor(() => expect(result.current.loaded.status).toBe('ready'));
  return result;
}
beforeEach(async () => {
  const db = await database();
  await Promise.all([db.clear('events'), db.clear('runs')]);
});

test('what the other device still got through while this one took over is part of what it goes on from', async () => {
  const t = elsewhere(testId(801), 3);
  const run = await opened(testId(801));
  mockServer.meanwhile = t.state.events.toArray().slice(-3);
  await act(() => run.current.takeOver());
  const events = mockServer.state?.events.toArray() ?? [];
  expect(events).toHaveLength(t.state.events.length + 1);
  expect((await readRun(testId(801)))?.events.map((e) => e.event)).toEqual(events);
  if (run.current.loaded.status !== 'ready') throw new Error('not there');
  expect(run.current.loaded).toMatchObject({ isMine: true, unsent: 0 });
  expect(run.current.loaded.state.events.toArray()).toEqual(events);
});

test('one who was slower learns it, and keeps nothing of it', async () => {
  const t = elsewhere(testId(802), 0);
  const run = await opened(testId(802));
  const events = t.state.events.toArray();
  t.takeOver(testId(78));
  mockServer.meanwhile = [t.state.events.at(-1) as RunEvent];
  await expect(act(() => run.current.takeOver())).rejects.toEqual(
    expect.objectContaining({ code: 'HOLD_ENDED' } satisfies Partial<AppError>),
  );
  expect((await readRun(testId(802)))?.events.map((e) => e.event)).toEqual(events);
  expect(run.current.loaded).toMatchObject({ status: 'ready', isMine: false });
});

describe('a storage that goes away under an open run', () => {
  const own = async (
    run: string,
  ): Promise<{ t: Technician; run: Awaited<ReturnType<typeof opened>> }> => {
    const t = elsewhere(run, 0);
    const open = await opened(run);
    await act(() => open.current.takeOver());
    return { t, run: open };
  };
  const onDisk = async (run: string): Promise<number> => (await readRun(run))?.events.length ?? 0;
  const pause = async (run: Awaited<ReturnType<typeof opened>>, times: number): Promise<void> => {
    for (let i = 0; i < times; i += 1) {
      await act(() => run.current.confirm('paused', {}));
      await act(() => run.current.confirm('resumed', {}));
    }
  };

  test('what is said while the one before is still being written is not taken, and not as if it were', async () => {
    const { run } = await own(testId(810));
    const before = await onDisk(testId(810));
    const taken = await act(() =>
      Promise.all([run.current.confirm('paused', {}), run.current.confirm('paused', {})]),
    );
    expect(taken).toEqual([true, false]);
    expect(await onDisk(testId(810))).toBe(before + 1);
  });

  test('closed by the browser: the next confirmation opens it again and is kept', async () => {
    const { run } = await own(testId(811));
    const before = await onDisk(testId(811));
    (await database()).close();
    await pause(run, 1);
    expect(await onDisk(testId(811))).toBe(before + 2);
  });

  test('deleted: what the screen knows is put back, with what is confirmed afterwards', async () => {
    const { run } = await own(testId(812));
    await pause(run, 2);
    const before = await onDisk(testId(812));
    await deleteDB('stennet');
    await waitFor(async () => expect(await onDisk(testId(812))).toBe(before));
    await pause(run, 2);
    expect(await onDisk(testId(812))).toBe(before + 4);
  });

  test('hanging: it says so within seconds, and nothing is taken twice when it answers', async () => {
    const { run } = await own(testId(813));
    const before = await onDisk(testId(813));
    const db = await database();
    // Someone else's transaction that does not end.
    const other = db.transaction('events', 'readwrite');
    let isHeld = true;
    const hold = (): void =>
      void other.store.count().then(
        () => isHeld && hold(),
        () => undefined,
      );
    hold();
    const refused = await run.current.confirm('paused', {}).then(
      () => null,
      (e: unknown) => e,
    );
    expect(refused).toMatchObject({ code: 'STORAGE_HANGS' });
    isHeld = false;
    await other.done;
    await waitFor(async () => expect(await onDisk(testId(813))).toBe(before + 1));
    await act(() => run.current.confirm('paused', {}));
    await waitFor(async () => expect(await onDisk(testId(813))).toBe(before + 1));
    // And the run goes on from there.
    await act(() => run.current.confirm('resumed', {}));
    expect(await onDisk(testId(813))).toBe(before + 2);
    expect(run.current.loaded).toMatchObject({ status: 'ready', state: { status: 'open' } });
  }, 20_000);

  test('something else said after it hung: what came to be on disk is shown, and goes on', async () => {
    const { run } = await own(testId(814));
    await pause(run, 1);
    const before = await onDisk(testId(814));
    const { state } = run.current.loaded as unknown as { state: RunState };
    const event = {
      ...(state.events.at(-1) as RunEvent),
      id: testId(99_814),
      seq: state.lastSeq + 1,
      type: 'paused',
      payload: {},
    } as RunEvent;
    await (
      await database()
    ).add('events', { event, sent: false, waits: event.run }, [event.run, event.hold, event.seq]);
    const refused = await act(() =>
      run.current.confirm('paused', {}).then(
        () => null,
        (e: unknown) => e,
      ),
    );
    expect(refused).toMatchObject({
      code: 'ALREADY_CONFIRMED',
      params: { entries: state.events.length + 1 },
    });
    await waitFor(() =>
      expect(run.current.loaded).toMatchObject({ state: { status: 'paused' }, status: 'ready' }),
    );
    await act(() => run.current.confirm('resumed', {}));
    expect(await onDisk(testId(814))).toBe(before + 2);
  });
});

test('two tabs on one run: what one writes the other shows, and it does not write beside it', async () => {
  elsewhere(testId(821), 0);
  const run = await opened(testId(821));
  await act(() => run.current.takeOver());
  const loaded = (): number =>
    run.current.loaded.status === 'ready' ? run.current.loaded.state.events.length : 0;
  const before = loaded();
  const { state } = run.current.loaded as unknown as { state: RunState };
  const last = state.events.at(-1) as RunEvent;
  const event = {
    ...last,
    id: testId(99_821),
    seq: state.lastSeq + 1,
    type: 'paused',
    payload: {},
  } as RunEvent;
  await (
    await database()
  ).add('events', { event, sent: false, waits: event.run }, [event.run, event.hold, event.seq]);
  const other = new BroadcastChannel('stennet.runs');
  other.postMessage(testId(821));
  await waitFor(() => expect(loaded()).toBe(before + 1));
  other.close();
});
