import 'fake-indexeddb/auto';
import { waitFor } from '@testing-library/react-native';
import { AppError } from '@stennet/core/errors';
import type { Me } from '@stennet/core/contract';
import { database } from './database';
import { letEntryGo, saveEntry, startEntries } from './entries';
import { leave } from './leaving';

const mockSent: { entry: string; version: number; body: unknown }[] = [];
let mockAnswer: (version: number) => Promise<{ version: number }> = (version) =>
  Promise.resolve({ version: version + 1 });
jest.mock('@/platform/online', () => ({ onBackOnline: () => () => undefined }));
let mockRefreshed: () => Promise<void> = () => Promise.resolve();
jest.mock('./queries', () => ({ queryClient: { invalidateQueries: () => mockRefreshed() } }));
jest.mock('./photos', () => ({
  sendPhoto: () => Promise.resolve({ photo: 'f'.repeat(64), width: 4, height: 3 }),
}));
jest.mock('./api', () => ({
  asAppError: (e: unknown) => e,
  call: (_name: string, { entry }: { entry: string }, body: { version: number; body: unknown }) => {
    mockSent.push({ entry, version: body.version, body: body.body });
    return mockAnswer(body.version);
  },
}));

const me = (person: string): Me =>
  ({ person: { id: person, name: 'x' }, shop: { id: 'shop' } }) as unknown as Me;
const note = (text: string) => ({ kind: 'note', text }) as const;
const kept = async () => (await database()).getAll('entries');
/** For what must not happen: time enough that it would have. */
const aMoment = () => new Promise((resolve) => setTimeout(resolve, 40));
const sentBodies = () => mockSent.map((s) => [s.version, s.body]);
/** However busy the machine is. */
async function untilSent(count: number): Promise<void> {
  await waitFor(() => expect(mockSent).toHaveLength(count), { timeout: 4000 });
}
async function untilNothingIsKept(): Promise<void> {
  await waitFor(async () => expect(await kept()).toEqual([]), { timeout: 4000 });
}

beforeEach(async () => {
  mockSent.length = 0;
  mockAnswer = (version) => Promise.resolve({ version: version + 1 });
  leave();
  await (await database()).clear('entries');
  await startEntries(me('jonah'));
});

test('is on this device before it is sent, and leaves it once the server has it', async () => {
  await saveEntry({ order: 'o', entry: 'e', body: note('one') });
  await untilNothingIsKept();
  expect(mockSent).toEqual([{ entry: 'e', version: 0, body: note('one') }]);
});

test('without a network it waits, and only its person’s next start sends it', async () => {
  mockAnswer = () => Promise.reject(new AppError('OFFLINE'));
  await saveEntry({ order: 'o', entry: 'e', body: note('one') });
  await untilSent(1);
  expect(await kept()).toHaveLength(1);
  mockAnswer = (version) => Promise.resolve({ version: version + 1 });
  mockSent.length = 0;
  leave();
  await startEntries(me('mei'));
  await aMoment();
  expect(mockSent).toEqual([]);
  leave();
  await startEntries(me('jonah'));
  await untilSent(1);
});

test('what was changed again while it was on its way goes out on top of it', async () => {
  let open: (v: { version: number }) => void = () => undefined;
  mockAnswer = () => new Promise((resolve) => (open = resolve));
  await saveEntry({ order: 'o', entry: 'e', body: note('one') });
  await untilSent(1);
  await saveEntry({ order: 'o', entry: 'e', body: note('two') });
  mockAnswer = (version) => Promise.resolve({ version: version + 1 });
  open({ version: 1 });
  await untilNothingIsKept();
  expect(sentBodies()).toEqual([
    [0, note('one')],
    [1, note('two')],
  ]);
});

test('what was changed while the screen was catching up is not taken for sent', async () => {
  let caughtUp: () => void = () => undefined;
  mockRefreshed = () => new Promise((resolve) => (caughtUp = resolve));
  await saveEntry({ order: 'o', entry: 'e', body: note('one') });
  await untilSent(1);
  mockRefreshed = () => Promise.resolve();
  await saveEntry({ order: 'o', entry: 'e', version: 1, body: note('two') });
  caughtUp();
  await untilNothingIsKept();
  expect(sentBodies()).toEqual([
    [0, note('one')],
    [1, note('two')],
  ]);
});

test('what someone else changed in the meantime is kept here until one is chosen, and not sent again by itself', async () => {
  mockAnswer = () => Promise.reject(new AppError('ORDER_CHANGED', { by: 'Petra Voll' }));
  await saveEntry({ order: 'o', entry: 'e', version: 1, body: note('mine') });
  await waitFor(async () =>
    expect(await kept()).toMatchObject([
      { body: note('mine'), refused: { code: 'ORDER_CHANGED' } },
    ]),
  );
  await aMoment();
  expect(mockSent).toHaveLength(1);
  await letEntryGo('e');
  expect(await kept()).toEqual([]);
});

test('a change on top of one whose answer was lost is not held for a change against it', async () => {
  mockAnswer = () => Promise.reject(new AppError('OFFLINE'));
  await saveEntry({ order: 'o', entry: 'e', body: note('dropped') });
  await untilSent(1);
  leave();
  await startEntries(me('jonah'));
  await saveEntry({ order: 'o', entry: 'e', body: note('found') });
  await saveEntry({ order: 'o', entry: 'e', body: note('found, magnet') });
  await aMoment();
  mockSent.length = 0;
  mockAnswer = (version) => Promise.resolve({ version: version + 1 });
  leave();
  await startEntries(me('jonah'));
  await untilNothingIsKept();
  expect(sentBodies()).toEqual([
    [0, note('dropped')],
    [1, note('found, magnet')],
  ]);
});

test('a photo goes before its entry, which then carries its name', async () => {
  await saveEntry({
    order: 'o',
    entry: 'e',
    photo: new Blob(['x']),
    body: { kind: 'photo', photo: '0'.repeat(64), of: 'stud', width: 1, height: 1 },
  });
  await untilSent(1);
  expect(mockSent[0]?.body).toEqual({
    kind: 'photo',
    photo: 'f'.repeat(64),
    of: 'stud',
    width: 4,
    height: 3,
  });
});

test('who signs in while something is on its way does not send the rest of it', async () => {
  let open: (v: { version: number }) => void = () => undefined;
  mockAnswer = () => new Promise((resolve) => (open = resolve));
  await saveEntry({ order: 'o', entry: 'a', body: note('one') });
  await saveEntry({ order: 'o', entry: 'b', body: note('two') });
  await untilSent(1);
  leave();
  await startEntries(me('mei'));
  mockAnswer = (version) => Promise.resolve({ version: version + 1 });
  open({ version: 1 });
  await aMoment();
  expect(mockSent.map((m) => m.entry)).toEqual(['a']);
});
