import 'fake-indexeddb/auto';
import { AppError } from '@stennet/core/errors';
import { traceName } from '@stennet/core/record';
import { simulateWrench, type Trace } from '@stennet/core/trace';
import { database } from './database';
import { keepTrace, sendTraces, waitingTraces } from './traces';

const mockServer = new Map<string, Trace>();
let mockRefuse: (name: string) => AppError | null = () => null;
let mockMeanwhile: () => Promise<unknown> = () => Promise.resolve();
jest.mock('@/platform/storage', () => ({ storedBefore: () => null, markStored: () => undefined }));
jest.mock('./api', () => ({
  asAppError: (e: unknown) => e,
  call: async (_name: string, { trace }: { trace: string }, body: Trace) => {
    await mockMeanwhile();
    const why = mockRefuse(trace);
    if (why) return Promise.reject(why);
    mockServer.set(trace, body);
    return Promise.resolve({ ok: true });
  },
}));

const traceOf = (seed: number): Trace =>
  simulateWrench({ to: { unit: 'N.m', value: 30 }, how: 'ok' }, seed, 'Wrench 4').trace;
const here = async (): Promise<string[]> => (await database()).getAllKeys('traces');
beforeEach(async () => {
  mockServer.clear();
  mockRefuse = () => null;
  await (await database()).clear('traces');
});

test('a curve is on this device by the name that its pull carries, goes out, and leaves', async () => {
  const name = await keepTrace(traceOf(1));
  expect(name).toBe(traceName(traceOf(1)));
  expect(await here()).toEqual([name]);
  await sendTraces();
  expect(mockServer.get(name)).toEqual(traceOf(1));
  expect(await here()).toEqual([]);
});

test.each(['OFFLINE', 'SIGN_IN_NEEDED', 'FORBIDDEN', 'INTERNAL', 'DISK_FULL'] as const)(
  '%s: it waits for another time',
  async (code) => {
    await keepTrace(traceOf(1));
    mockRefuse = () => new AppError(code);
    await sendTraces();
    expect(await here()).toHaveLength(1);
    mockRefuse = () => null;
    await sendTraces();
    expect([mockServer.size, await here()]).toEqual([1, []]);
  },
);

test('one that the server will never have does not hold up the others', async () => {
  const names = await Promise.all([1, 2, 3].map((seed) => keepTrace(traceOf(seed))));
  mockRefuse = (name) => (name === [...names].sort()[0] ? new AppError('TOO_LARGE') : null);
  await sendTraces();
  expect(mockServer.size).toBe(2);
  expect(await here()).toEqual([]);
});

test('one that is made while others are on their way goes out behind them', async () => {
  await keepTrace(traceOf(1));
  mockMeanwhile = async () => {
    mockMeanwhile = () => Promise.resolve();
    await keepTrace(traceOf(2));
    await sendTraces();
  };
  await sendTraces();
  expect([mockServer.size, await here()]).toEqual([2, []]);
});

test('twice at the same time sends each once', async () => {
  await keepTrace(traceOf(1));
  let calls = 0;
  mockRefuse = () => ((calls += 1), null);
  await Promise.all([sendTraces(), sendTraces()]);
  expect(calls).toBe(1);
});

test('those that wait go along by name, others are left out', async () => {
  const name = await keepTrace(traceOf(1));
  await keepTrace(traceOf(2));
  expect(await waitingTraces([name, 'f'.repeat(64)])).toEqual({ [name]: traceOf(1) });
});
