import 'fake-indexeddb/auto';
import { demoSheet, PLACE, Technician } from '@stennet/core/testing';
import { simulateWrench } from '@stennet/core/trace';
import type { RunEvent } from '@stennet/core/run';
import { database, type KeptRun } from './database';
import { keepEvent, keepServerRun, markRefused, readRun, waitingOf } from './outbox/outbox';
import { keepTrace } from './traces';
import { readUnsent, saveUnsent } from './unsentFile';

let mockSaved = '';
jest.mock('@/platform/files', () => ({
  saveFile: (_name: string, text: string) => (mockSaved = text),
}));
jest.mock('@/platform/storage', () => ({ storedBefore: () => null }));
jest.mock('./api', () => ({ asAppError: (e: unknown) => e }));
jest.mock('./outbox/sender', () => ({ send: () => mockSends.push('sent') }));
const mockSends: string[] = [];

const sheet = demoSheet('ob20-rod-caps');
const t = new Technician(sheet);
const events = t.finish();
const kept: KeptRun = {
  id: PLACE.run,
  joint: PLACE.joint,
  order: { id: 'o', number: '2417', vehicle: 'v', job: 'j', joint: 'Rod caps' },
  sheet,
  sheetHash: PLACE.sheetHash,
  people: {},
};
const fileOf = (text: string): File => ({ text: () => Promise.resolve(text) }) as File;
const wipe = async (): Promise<void> => {
  const db = await database();
  await Promise.all((['events', 'runs', 'traces'] as const).map((name) => db.clear(name)));
};
const ids = (list: readonly { event: RunEvent }[]): string[] => list.map((e) => e.event.id);

beforeEach(async () => {
  await wipe();
  mockSends.length = 0;
  await keepServerRun(kept, events.slice(0, 3));
  for (const event of events.slice(3, 8)) await keepEvent(event);
});

test('what the server does not have goes into a file with its sheet, and comes back on a device that was wiped', async () => {
  expect(await saveUnsent()).toBe(5);
  await wipe();
  expect(await readUnsent(fileOf(mockSaved))).toBe(5);
  expect(ids(await waitingOf())).toEqual(events.slice(3, 8).map((e) => e.id));
  expect((await readRun(PLACE.run))?.kept).toMatchObject({
    id: PLACE.run,
    sheet: { id: sheet.id },
  });
  // And is on its way at once.
  expect(mockSends).toEqual(['sent']);
});

test('read twice it stands once; a place that is taken keeps what it has', async () => {
  await saveUnsent();
  expect(await readUnsent(fileOf(mockSaved))).toBe(0);
  const file = JSON.parse(mockSaved) as { runs: { events: RunEvent[] }[] };
  for (const run of file.runs)
    run.events = run.events.map((e) => ({ ...e, deviceTime: '2026-11-24T10:00:00.000Z' }));
  expect(await readUnsent(fileOf(JSON.stringify(file)))).toBe(0);
  expect((await waitingOf()).map((e) => e.event.deviceTime)).toEqual(
    events.slice(3, 8).map((e) => e.deviceTime),
  );
});

test('what the server refused is not in it: it would be refused again', async () => {
  await markRefused(events.slice(6, 8), { code: 'HOLD_ENDED', params: {} });
  expect(await saveUnsent()).toBe(3);
});

test('curves of a wrench go along with the pulls that name them', async () => {
  const { trace } = simulateWrench({ to: { unit: 'N.m', value: 30 }, how: 'ok' }, 1, 'Wrench 4');
  const name = await keepTrace(trace);
  await keepTrace({ ...trace, wrench: 'Another' });
  const pull = events.slice(8).find((e) => e.type === 'pulled');
  if (pull?.type !== 'pulled') throw new Error('no pull');
  await keepEvent({ ...pull, payload: { ...pull.payload, trace: name } });
  await saveUnsent();
  await wipe();
  await readUnsent(fileOf(mockSaved));
  expect(await (await database()).getAllKeys('traces')).toEqual([name]);
});

test('a run without its sheet, or entries of another run, are no file of unsent entries', async () => {
  await saveUnsent();
  type File = { runs: { kept?: Partial<KeptRun>; events: { run: string }[] }[] };
  const changed = (change: (run: File['runs'][number]) => void): Promise<number> => {
    const file = JSON.parse(mockSaved) as File;
    for (const run of file.runs) change(run);
    return readUnsent(fileOf(JSON.stringify(file)));
  };
  await wipe();
  await expect(changed((run) => delete run.kept?.sheet)).rejects.toMatchObject({
    code: 'FOREIGN_UNREADABLE',
  });
  await expect(
    changed((run) => Object.assign(run.kept ?? {}, { id: PLACE.shop })),
  ).rejects.toMatchObject({ code: 'FOREIGN_UNREADABLE' });
  expect(await waitingOf()).toEqual([]);
  // Entries alone can still be sent, where the device has lost what their run is about.
  expect(await changed((run) => delete run.kept)).toBe(5);
  expect(await readRun(PLACE.run)).toBeUndefined();
  expect(await changed(() => undefined)).toBe(0);
  expect((await readRun(PLACE.run))?.kept.sheet.id).toBe(sheet.id);
});

test.each([
  ['', 'it is no JSON'],
  ['{"format":"stennet-unsent"', 'it is no JSON'],
  ['{}', 'it is no file of unsent entries'],
  ['{"format":"stennet-unsent","v":2,"runs":[]}', 'it is no file of unsent entries'],
  [
    '{"format":"stennet-unsent","v":1,"runs":[{"kept":{"id":"x"},"events":[{"type":"pulled"}]}]}',
    'it is no file of unsent entries',
  ],
])('%s is refused in words, and nothing on the device changes', async (text, why) => {
  await expect(readUnsent(fileOf(text))).rejects.toMatchObject({
    code: 'FOREIGN_UNREADABLE',
    params: { why },
  });
  expect(await waitingOf()).toHaveLength(5);
  expect(mockSends).toEqual([]);
});
