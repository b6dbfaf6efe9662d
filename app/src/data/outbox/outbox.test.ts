import 'fake-indexeddb/auto';
import { type AppError } from '@stennet/core/errors';
import { headSheet, Technician } from '@stennet/core/testing';
import { database } from '../database';
import {
  countUnsent,
  forgetSentRuns,
  keepEvent,
  keepServerRun,
  markRefused,
  markSent,
  readRun,
  runsToSend,
} from './outbox';

const kept = (t: Technician) => ({
  id: t.place.run,
  joint: t.place.joint,
  order: { id: 'o', number: '1', vehicle: 'v', job: 'j', joint: 'Head' },
  sheet: headSheet,
  sheetHash: 'a'.repeat(64),
  people: {},
});

async function started(): Promise<Technician> {
  const t = new Technician(headSheet);
  t.step();
  await keepServerRun(kept(t), t.state.events.toArray());
  return t;
}

beforeEach(async () => {
  const db = await database();
  await Promise.all([db.clear('events'), db.clear('runs')]);
});

test('a confirmation is kept until the server has acknowledged it', async () => {
  const t = await started();
  const event = t.step();
  if (!event) throw new Error();
  await keepEvent(event);
  expect(await runsToSend()).toEqual([t.place.run]);
  expect((await readRun(t.place.run))?.events.map((e) => e.sent)).toEqual([true, false]);
  await markSent([event]);
  expect(await runsToSend()).toEqual([]);
});

test('events come back in the holder’s sequence, also past ten', async () => {
  const t = await started();
  for (let i = 0; i < 14; i += 1) {
    const event = t.step();
    if (event) await keepEvent(event);
  }
  expect((await readRun(t.place.run))?.events.map((e) => e.event.seq)).toEqual(
    Array.from({ length: 15 }, (_, i) => i + 1),
  );
});

test('a second tab cannot write the same place', async () => {
  const t = await started();
  const event = t.step();
  if (!event) throw new Error();
  await keepEvent(event);
  const refusal = await keepEvent({ ...event, id: t.place.joint }).catch((e: unknown) => e);
  expect((refusal as AppError).code).toBe('ALREADY_CONFIRMED');
});

test('a refused entry is counted and kept, and not sent again', async () => {
  const t = await started();
  const event = t.step();
  if (!event) throw new Error();
  await keepEvent(event);
  await markRefused([event], { code: 'HOLD_ENDED', params: {} });
  expect(await runsToSend()).toEqual([]);
  expect(await countUnsent()).toEqual({ unsent: 0, refused: 1 });
  expect((await readRun(t.place.run))?.events.at(-1)?.refused?.code).toBe('HOLD_ENDED');
});

test('what the server has on a place does not wipe what this device said there', async () => {
  const t = await started();
  const mine = t.step();
  if (!mine) throw new Error();
  await keepEvent(mine);
  const theirs = { ...mine, id: t.place.joint };
  await keepServerRun(kept(t), [theirs]);
  const events = (await readRun(t.place.run))?.events ?? [];
  expect(events.filter((e) => !e.refused).map((e) => e.event.id)).toContain(theirs.id);
  expect(events.filter((e) => e.refused).map((e) => e.event.id)).toEqual([mine.id]);
});

test('only a finished run that is wholly sent is forgotten', async () => {
  const t = await started();
  const events = t.finish();
  for (const event of events) await keepEvent(event);
  await markSent(events.slice(0, -1));
  await forgetSentRuns();
  expect(await readRun(t.place.run)).toBeDefined();
  await markSent(events);
  await forgetSentRuns();
  expect(await readRun(t.place.run)).toBeUndefined();
});
