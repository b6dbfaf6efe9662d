import 'fake-indexeddb/auto';
import type { PracticeWorker } from '@/workers/practice.worker';
import { judgePractice, practiceIdFrom, type PracticeLog } from '@stennet/core/practice';
import { AppError } from '@stennet/core/errors';
import { next } from '@stennet/core/run';
import { practiceBy, testId } from '@stennet/core/testing';
import { database } from '../database';
import { readPractice, sendPractice } from './keptPractice';
import { newPractice } from '.';
import { PracticeRun } from './practiceRun';

const ME = { person: { id: testId(5), name: 'Rafi Daan' }, shop: { id: testId(1) } } as never;
const mockSent: PracticeLog[] = [];
let mockIsOnline = true;
const mockOffline = (): AppError => new AppError('OFFLINE');
jest.mock('../api', () => ({
  asAppError: (e: unknown) => e,
  call: async (_name: string, _params: object, log: PracticeLog) => {
    await Promise.resolve();
    if (!mockIsOnline) throw mockOffline();
    mockSent.push(log);
    return { passed: true, better: null };
  },
}));
jest.mock('@/platform/device', () => ({ deviceId: () => '00000000-0000-4000-8000-000000000077' }));

// The worker's own file, in this process.
let mockApi: PracticeWorker;
jest.mock('comlink', () => ({
  expose: (api: PracticeWorker) => void (mockApi = api),
  wrap: () =>
    new Proxy(
      {},
      {
        get:
          (_t, name) =>
          async (...args: never[]) =>
            (mockApi as never)[name as never] &&
            (mockApi[name as 'move'] as (...a: never[]) => unknown)(...args),
      },
    ),
}));
beforeAll(async () => {
  Object.assign(globalThis, {
    Worker: class {
      terminate = () => undefined;
    },
  });
  await import('@/workers/practice.worker');
});

const stateOf = (run: PracticeRun) => {
  const loaded = run.get();
  if (loaded.status !== 'ready') throw new Error(loaded.status);
  return loaded.state;
};
async function opened(id: string): Promise<PracticeRun> {
  const run = new PracticeRun(id);
  await run.load();
  return run;
}
/** To the first pull, as the screens confirm it. */
async function toFirstPull(run: PracticeRun): Promise<void> {
  const due = () => next(stateOf(run));
  await run.confirm('fitted', {
    fasteners: ['1', '2', '3', '4'].map((s) => ({ fastener: `${s}/1`, condition: 'new' as const })),
  });
  await run.confirm('wrenchChosen', {
    stage: 't20',
    method: 'click',
    wrench: {
      id: testId(90),
      name: 'Practice click wrench',
      kind: 'click',
      unit: 'N.m',
      min: 2,
      max: 400,
      graduation: 0.5,
      calibratedUntil: '2099-12-31',
    },
  });
  const set = due();
  if (set.kind !== 'setTool') throw new Error(set.kind);
  await run.confirm('wrenchSet', { stage: 't20', setting: set.setting });
}
const settled = () => new Promise((resolve) => setTimeout(resolve, 20));

test('a run begins by itself, is kept with its strokes, and goes on after a reload where it was', async () => {
  const id = await newPractice(ME, { exercise: 'firstWrench' });
  expect(id[14]).toBe('8');
  const run = await opened(id);
  await toFirstPull(run);
  run.move(200);
  run.move(100);
  await settled();
  const felt = run.felt.getState();
  expect(felt.feel?.torqueNm).toBeGreaterThan(5);
  expect(felt.curve.length).toBeGreaterThan(0);
  await run.confirm('pulled', {
    fastener: '1/1',
    stage: 't20',
    pass: 1,
    outcome: 'clicked',
    method: 'click',
    wrench: testId(90),
    verdict: 'inTolerance',
    core: '',
  });
  const kept = await readPractice(id);
  expect(kept?.log.entries.slice(-2)).toMatchObject([
    { hand: [300] },
    { event: { type: 'pulled' } },
  ]);
  expect(run.felt.getState()).toMatchObject({ feel: null, curve: [], before: felt.curve });
  const again = await opened(id);
  expect(stateOf(again).events.toArray()).toEqual(stateOf(run).events.toArray());
  expect(next(stateOf(again))).toMatchObject({ kind: 'pull', fastener: '2/1' });
});

test('what the run refuses changes nothing', async () => {
  const run = await opened(await newPractice(ME, { exercise: 'firstWrench' }));
  const before = stateOf(run);
  await expect(run.confirm('finished', {})).rejects.toThrow(AppError);
  expect(stateOf(run)).toBe(before);
});

test('ended it is judged, and waits here until the server has it', async () => {
  const id = await newPractice(ME, { exercise: 'gauge' });
  const run = await opened(id);
  mockIsOnline = false;
  await run.end();
  expect(run.result).toMatchObject({ passed: false, better: 'finished' });
  expect(await sendPractice(testId(5), testId(1))).toBe(false);
  expect((await readPractice(id))?.sent).toBe(false);
  mockIsOnline = true;
  expect(await sendPractice(testId(5), testId(1))).toBe(true);
  expect(mockSent.map((l) => l.id)).toContain(id);
  expect((await readPractice(id))?.sent).toBe(true);
  await run.confirm('paused', {});
  expect(stateOf(run).status).toBe('open');
});

test('what a colleague began is taken over first', async () => {
  const run = await opened(await newPractice(ME, { exercise: 'colleague' }));
  expect(stateOf(run).events.at(-1)?.type).toBe('tookOver');
  expect(next(stateOf(run)).kind).toBe('reconcile');
  const marks = await run.stripes(['1', '4', '6']);
  expect(marks['1']).toBeGreaterThan(70);
  expect(marks['4']).toBeGreaterThan(70);
  expect(marks['6']).toBeLessThan(5);
});

test('a run of the core’s own pupil reads as one of the app', async () => {
  const who = { shop: testId(1), run: practiceIdFrom(testId(1)), person: testId(5) };
  const { log } = practiceBy({ exercise: 'firstWrench', seed: 4 }, {}, who);
  expect(
    judgePractice(
      log,
      { ...(await import('@stennet/core/practice')).setupOf('firstWrench', 4) },
      who,
    ).passed,
  ).toBe(true);
  expect(await (await database()).count('runs')).toBe(0);
});
