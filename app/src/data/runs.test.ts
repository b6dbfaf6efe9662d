import 'fake-indexeddb/auto';
import { act, renderHook, waitFor } from '@testing-library/react-native';
import { AppError } from '@stennet/core/errors';
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
    if (name === 'appendRunEvents') return { stored: (body?.events ?? []).map(mockTake), refused: null };
    const events = mockServer.state?.events.toArray() ?? [];
    mockServer.meanwhile.splice(0).forEach(mockTake);
    return { id: params.run, sheet: mockSheet, events, headHash: '' };
  },
}));
jest.mock('@/platform/device', () => ({ deviceId: () => mockMine, deviceName: () => 'phone' }));
jest.mock('./outbox/sender', () => ({ noteConfirmed: () => undefined, onRunSent: () => () => undefined }));
jest.mock('./stream', () => ({ isLive: () => true, onHint: () => undefined }));

/** Somebody else's run, ten pulls in, of which the last have not arrived. */
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
  await expect(act(() => run.current.takeOver())).rejects.toEqual(expect.objectContaining({ code: 'HOLD_ENDED' } satisfies Partial<AppError>));
  expect((await readRun(testId(802)))?.events.map((e) => e.event)).toEqual(events);
  expect(run.current.loaded).toMatchObject({ status: 'ready', isMine: false });
});
