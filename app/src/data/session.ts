import type { Me } from '@stennet/core/contract';
import type { BodyOf } from '@stennet/core/contract/work';
import { createFormatter, type Formatter } from '@stennet/core/quantity';
import { setClock } from '@/platform/clock';
import { whenIdle } from '@/platform/frames';
import { call, noteNewSignIn } from './api';
import { database } from './database';
import { noteVerified, takeDevice, unverified, type Enrolled } from './bay';
import { leave } from './leaving';
import { forgetSentRuns } from './outbox/outbox';
import { send } from './outbox/sender';
import { forgetAnswers, keepOnly, queryClient } from './queries';
import { queryKeys } from './queryKeys';
import { refresh } from './refresh';

const VERIFY_MS = 4000;

/** Takes a sign-in over: from here on the answers of this person in this shop. */
async function enter(me: Me): Promise<void> {
  await stopAsking();
  await keepOnly(me);
  forgetAnswers();
  noteNewSignIn();
  queryClient.setQueryData(queryKeys.me, me);
  setClock(me.clockSetTo);
  leave();
  void send();
}

export async function signIn(name: string, password: string): Promise<void> {
  const me = await call('signIn', {}, { name, password });
  noteVerified(me.person.id);
  await enter(me);
}

/**
 * With a code from a lead: a new password, and in.
 * @throws AppError CODE_WRONG, SIGN_IN_LIMITED, PASSWORD_FORM
 */
export async function enterByCode(name: string, code: string, password: string): Promise<void> {
  const me = await call('useCode', {}, { name, code, password });
  noteVerified(me.person.id);
  await enter(me);
}

/**
 * The first visit of an installation, or one more shop.
 * @throws AppError SETUP_CODE, SETUP_DONE, NAME_TAKEN, PASSWORD_FORM, SIGN_IN_LIMITED
 */
export async function makeShop(first: NonNullable<BodyOf<'makeShop'>>): Promise<void> {
  const me = await call('makeShop', {}, first);
  await forgetLibrary();
  await enter(me);
}

/**
 * Another person takes this shared device over.
 * @throws AppError PIN_WRONG, PIN_LIMITED, PIN_NONE, NOT_ENROLLED
 */
export async function switchPerson(enrolled: Enrolled, pin: string): Promise<void> {
  const me = await takeDevice(enrolled, pin);
  leave();
  await enter(me);
  keepVerifying();
}

/** Asked again until the server has said whether it was the right PIN. */
function keepVerifying(): void {
  if (!unverified()) return;
  setTimeout(() => void refresh(queryKeys.me).finally(keepVerifying), VERIFY_MS);
}

export async function switchShop(shop: string): Promise<void> {
  const me = await call('switchShop', {}, { shop });
  // Who still writes for the shop before stops first.
  leave();
  await forgetLibrary();
  await enter(me);
}

/**
 * Answers of this person leave the device; what is unsent stays until that person signs in again.
 * @param goHome called while the screens still stand: afterwards nothing is there that could be led
 * to another place
 */
export async function signOut(goHome: () => void): Promise<void> {
  await call('signOut');
  await stopAsking();
  leave();
  await forgetLibrary();
  await forgetSentRuns();
  goHome();
  // Emptied first, then removed: a save that is still waiting must not bring the answers back.
  queryClient.setQueryData(queryKeys.me, null);
  forgetAnswers();
  await (await database()).clear('answers');
}

/** Sheets of a shop leave the device with the person who may read them. */
async function forgetLibrary(): Promise<void> {
  await (await database()).clear('library');
}

/**
 * An answer to “who is signed in” that is still on its way says who was: it must not arrive after
 * the change.
 */
const stopAsking = (): Promise<void> => queryClient.cancelQueries({ queryKey: queryKeys.me });

const formatters = new Map<string, Formatter>();
/** The one formatter, in the shop's style. */
export function formatterOf(me: Me): Formatter {
  const key = `${me.shop.id}:${me.shop.locale}:${me.shop.timeZone}`;
  const known = formatters.get(key);
  if (known) return known;
  const made = createFormatter(me.shop);
  formatters.set(key, made);
  // The first number a browser writes takes it longest: not the one that someone waits for.
  void whenIdle(4000).then(() => made.quantity({ value: 1, unit: 'N.m' }));
  return made;
}
