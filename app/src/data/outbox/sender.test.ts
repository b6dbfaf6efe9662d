import 'fake-indexeddb/auto';
import { AppError } from '@stennet/core/errors';
import { entryProof } from '@stennet/core/record';
import { demoSheet, PLACE, Technician, testId } from '@stennet/core/testing';
import type { RunEvent } from '@stennet/core/run';
import { database } from '../database';
import { makeHoldKey } from './holdKeys';
import { keepEvent, readRun, waitingOf } from './outbox';
import { onRunSent, onSending, send, sending } from './sender';

/** A server that can be away, refuse, and be signed in to by some. */
const mockServer = {
  stored: [] as { event: RunEvent; as: string }[],
  isAway: false,
  signedIn: new Set<string>(),
  refuse: null as { id: string; code: string } | null,
  unseen: new Set<string>(),
  shown: new Set<string>(),
};
interface Sent {
  holdKey: string;
  proofs: { event: string; session: string; proof: string }[];
  events: RunEvent[];
}
const mockAppend = (on: string, { events, proofs, holdKey }: Sent): Promise<unknown> => {
  const as = events.every((e) =>
    proofs.some(
      (p) =>
        p.event === e.id &&
        p.session === `of ${e.person}` &&
        p.proof === mockProof(`key of ${e.person}`, e),
    ),
  )
    ? (events[0]?.person ?? '')
    : on;
  mockServer.shown.add(holdKey);
  if (mockServer.isAway) return Promise.reject(new AppError('OFFLINE'));
  if (!mockServer.signedIn.has(as)) return Promise.reject(new AppError('SIGN_IN_NEEDED'));
  const stop = events.findIndex((e) => e.id === mockServer.refuse?.id);
  const taken = stop < 0 ? events : events.slice(0, stop);
  mockServer.stored.push(...taken.map((event) => ({ event, as })));
  return Promise.resolve({
    stored: taken.map((e) => ({ id: e.id })),
    ...(stop < 0 ? {} : { refused: { code: mockServer.refuse?.code, params: {} } }),
  });
};
const mockOn = {
  person: { id: testId(5) },
  entry: { session: `of ${testId(5)}`, key: `key of ${testId(5)}` },
};
const mockProof = entryProof;
const isOn = (person: string): void =>
  void Object.assign(mockOn, {
    person: { id: person },
    entry: { session: `of ${person}`, key: `key of ${person}` },
  });
jest.mock('@/platform/online', () => ({ onBackOnline: () => () => undefined }));
jest.mock('@/platform/storage', () => ({
  markStored: (unsent: number) => mockMarked.push(unsent),
  storedBefore: () => null,
}));
const mockMarked: number[] = [];
jest.mock('@/platform/device', () => ({ deviceId: () => 'device', deviceName: () => 'phone' }));
const mockSignedOut: string[] = [];
jest.mock('../queries', () => ({
  queryClient: { getQueryData: () => mockOn },
  noteSignedOut: (e: AppError) => mockSignedOut.push(e.code),
}));
jest.mock('../bay', () => ({ isUnseen: (person: string) => mockServer.unseen.has(person) }));
jest.mock('../work', () => ({ work: async () => ({ entryProof: mockProof }) }));
jest.mock('../traces', () => ({ sendTraces: () => Promise.resolve() }));
jest.mock('../api', () => ({
  asAppError: (e: unknown) => e,
  call: (_name: string, _params: unknown, body: Sent) => mockAppend(mockOn.person.id, body),
}));

const JONAH = testId(5);
const MEI = testId(7);
beforeEach(async () => {
  const db = await database();
  await Promise.all([db.clear('events'), db.clear('runs'), db.clear('holds')]);
  Object.assign(mockServer, { stored: [], isAway: false, refuse: null, shown: new Set() });
  isOn(JONAH);
  mockServer.signedIn = new Set([JONAH, MEI]);
  mockServer.unseen = new Set();
  mockSignedOut.length = 0;
});

/** The first events of a run, on this device only. */
async function confirmed(
  count: number,
  place: Partial<Technician['place']> = {},
): Promise<RunEvent[]> {
  const t = new Technician(demoSheet('qs16-head'), { ...PLACE, ...place });
  const events = t.finish().slice(0, count);
  expect(events).toHaveLength(count);
  for (const event of events) await keepEvent(event);
  return events;
}
/** `send` again while it is at work is exported; it is over when it says so. */
async function sent(): Promise<void> {
  await send();
  while (sending().state === 'sending') await new Promise((resolve) => setTimeout(resolve, 5));
}

test('what waits goes out once, in its order, also when it is asked to twice at the same time', async () => {
  const events = await confirmed(102);
  await Promise.all([send(), send(), sent()]);
  expect(mockServer.stored.map((s) => s.event.id)).toEqual(events.map((e) => e.id));
  expect(sending()).toEqual({ unsent: 0, refused: 0, state: 'idle' });
  expect(mockMarked.at(-1)).toBe(0);
});

test('without a server all of it waits and says how much; nothing is sent twice once it is back', async () => {
  mockServer.isAway = true;
  const events = await confirmed(5);
  await sent();
  expect(sending()).toEqual({ unsent: 5, refused: 0, state: 'offline' });
  expect(mockMarked.at(-1)).toBe(5);
  mockServer.isAway = false;
  await sent();
  expect(mockServer.stored.map((s) => s.event.id)).toEqual(events.map((e) => e.id));
  await sent();
  expect(mockServer.stored).toHaveLength(5);
});

test('what the server will not have is kept with its reason, and so is what builds on it; what came before it is there', async () => {
  const events = await confirmed(6);
  mockServer.refuse = { id: events[3]?.id ?? '', code: 'HOLD_ENDED' };
  const heard: string[] = [];
  const stop = onRunSent((run) => heard.push(run));
  await sent();
  stop();
  expect(mockServer.stored).toHaveLength(3);
  expect(sending()).toEqual({ unsent: 0, refused: 3, state: 'idle' });
  expect((await waitingOf()).map((e) => e.refused?.code)).toEqual([
    'HOLD_ENDED',
    'HOLD_ENDED',
    'HOLD_ENDED',
  ]);
  expect(heard).toEqual([events[0]?.run]);
  // Not asked again.
  mockServer.refuse = null;
  await sent();
  expect(mockServer.stored).toHaveLength(3);
});

test.each(['OFFLINE', 'DISK_FULL', 'INTERNAL', 'RUN_UNKNOWN'])(
  '%s can pass: nothing is marked refused',
  async (code) => {
    const events = await confirmed(3);
    mockServer.refuse = { id: events[1]?.id ?? '', code };
    await sent();
    expect(sending()).toMatchObject({ unsent: 2, refused: 0 });
    mockServer.refuse = null;
    await sent();
    expect(mockServer.stored).toHaveLength(3);
  },
);

test('sends each entry under the name of the person who confirmed it, with the proof made then and the run’s key', async () => {
  const mine = await confirmed(3);
  const run = mine[0]?.run ?? '';
  const holdKey = await makeHoldKey(run, 1);
  const theirs = mine
    .slice(1)
    .map((e, i) => ({ ...e, id: testId(500 + i), seq: 10 + i, person: MEI }));
  isOn(MEI);
  for (const event of theirs) await keepEvent(event);
  isOn(JONAH);
  await sent();
  expect([...mockServer.shown]).toEqual([holdKey]);
  expect(mockServer.stored.map((s) => [s.event.person, s.as])).toEqual([
    ...mine.map(() => [JONAH, JONAH]),
    ...theirs.map(() => [MEI, MEI]),
  ]);
  expect((await waitingOf(run)).length).toBe(0);
});

test('what was written under another’s name while they were not on waits for them, and is never sent as theirs', async () => {
  const [event] = await confirmed(1, { run: testId(40), person: MEI });
  await sent();
  expect(sending()).toEqual({ unsent: 1, refused: 0, state: 'signIn' });
  expect(mockServer.stored).toEqual([]);
  isOn(MEI);
  await sent();
  expect(mockServer.stored.map((s) => [s.event.id, s.as])).toEqual([[event?.id, MEI]]);
});

test('someone whom the server has not seen yet waits, and holds up no one else’s run', async () => {
  await confirmed(2, { run: testId(20), person: MEI });
  const mine = await confirmed(2, { run: testId(21), joint: testId(22) });
  mockServer.unseen.add(MEI);
  await sent();
  expect(mockServer.stored.map((s) => s.event.id)).toEqual(mine.map((e) => e.id));
  expect(sending()).toEqual({ unsent: 2, refused: 0, state: 'signIn' });
  // The person on now did not confirm it: no sign-in prompt for them.
  expect(mockSignedOut).toEqual([]);
});

test('a sign-in of one’s own that ran out is said; afterwards all of it goes out', async () => {
  await confirmed(2);
  mockServer.signedIn.delete(JONAH);
  await sent();
  expect(sending().state).toBe('signIn');
  expect(mockSignedOut).toEqual(['SIGN_IN_NEEDED']);
  mockServer.signedIn.add(JONAH);
  await sent();
  expect(mockServer.stored).toHaveLength(2);
});

test('tells listeners of each change until they leave', async () => {
  const seen: string[] = [];
  const stop = onSending(() => seen.push(sending().state));
  await confirmed(1);
  await sent();
  expect(seen).toEqual(['sending', 'idle']);
  stop();
  await confirmed(1, { run: testId(30) });
  await sent();
  expect(seen).toHaveLength(2);
  expect(await readRun(testId(30))).toBeUndefined();
});
