import { create } from 'zustand';
import type { Me } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { deviceId } from '@/platform/device';
import { newSecret } from '@/platform/ids';
import { keptTexts } from '@/platform/keptText';
import { asAppError, call } from './api';

/*
 * A phone that several people share:
 * - Each enrols once, signed in with their password; from then on their PIN is enough here.
 * - What someone confirmed goes out under their own name, also while another is on.
 * - Without the server a PIN cannot be checked: the person is on, marked as not verified, and
 *   nothing of theirs goes out until the server has agreed. The PIN is kept in memory only: after a
 *   reload it is asked again.
 */
export interface Enrolled {
  me: Me;
  secret: string;
}
const KEY = 'stennet.bay';
const UNVERIFIED = 'stennet.unverified';
const UNSEEN = 'stennet.unseen';
let pinInMind: string | null = null;
function read(): Enrolled[] {
  try {
    return JSON.parse(keptTexts.get(KEY) ?? '[]') as Enrolled[];
  } catch {
    return [];
  }
}

interface Bay {
  list: readonly Enrolled[];
  /** Who is on without the server having agreed; null mostly. */
  waits: string | null;
  /**
   * Everyone who was on without the server having agreed since: theirs waits for themselves,
   * the person on now.
   */
  unseen: readonly string[];
}
const useBay = create<Bay>(() => ({
  list: read(),
  waits: keptTexts.get(UNVERIFIED),
  unseen: (keptTexts.get(UNSEEN) ?? '').split(' ').filter(Boolean),
}));

export const useEnrolled = (): readonly Enrolled[] => useBay(({ list }) => list);
/** Who is on without the server having agreed; null mostly. */
export const useUnverified = (): string | null => useBay(({ waits }) => waits);
export const unverified = (): string | null => useBay.getState().waits;
/** Nothing of this person goes out before they have shown who they are. */
export const isUnseen = (person: string | undefined): boolean =>
  person !== undefined && useBay.getState().unseen.includes(person);

function put(list: readonly Enrolled[]): void {
  keptTexts.put(KEY, JSON.stringify(list));
  useBay.setState({ list });
}

function setUnverified(person: string, pin: string): void {
  pinInMind = pin;
  const unseen = [...new Set([...useBay.getState().unseen, person])];
  keptTexts.put(UNVERIFIED, person);
  keptTexts.put(UNSEEN, unseen.join(' '));
  useBay.setState({ waits: person, unseen });
}

/**
 * By their PIN or their password: what they confirmed in the meantime may go out. Of others it
 * still waits.
 */
export function noteVerified(person: string): void {
  pinInMind = null;
  const unseen = useBay.getState().unseen.filter((p) => p !== person);
  keptTexts.drop(UNVERIFIED);
  keptTexts.put(UNSEEN, unseen.join(' '));
  useBay.setState({ waits: null, unseen });
}

/** @throws AppError OFFLINE */
export async function enrolHere(me: Me): Promise<void> {
  const secret = newSecret();
  await call('enrol', {}, { device: deviceId(), secret });
  put([
    ...useBay.getState().list.filter((e) => e.me.person.id !== me.person.id),
    { me: { ...me, entry: undefined }, secret },
  ]);
}

export function leaveBay(person: string): void {
  put(useBay.getState().list.filter((e) => e.me.person.id !== person));
}

/**
 * Takes the device over.
 * @returns who is on now; without the server as they were last seen here, not verified
 * @throws AppError PIN_WRONG, PIN_LIMITED, PIN_NONE, NOT_ENROLLED
 */
export async function takeDevice(enrolled: Enrolled, pin: string): Promise<Me> {
  try {
    return await takeVerified(enrolled, pin);
  } catch (error) {
    if (asAppError(error).code !== 'OFFLINE') throw error;
    setUnverified(enrolled.me.person.id, pin);
    return enrolled.me;
  }
}

/**
 * The server is asked whether it was the right PIN.
 * @throws AppError OFFLINE, SIGN_IN_NEEDED when it was not, or is no longer known
 */
export async function verifyNow(): Promise<Me> {
  const { list, waits } = useBay.getState();
  const enrolled = list.find((e) => e.me.person.id === waits);
  if (!enrolled || pinInMind === null) throw new AppError('SIGN_IN_NEEDED');
  try {
    return await takeVerified(enrolled, pinInMind);
  } catch (error) {
    if (asAppError(error).code === 'OFFLINE') throw error;
    pinInMind = null;
    throw new AppError('SIGN_IN_NEEDED');
  }
}

async function takeVerified({ me, secret }: Enrolled, pin: string): Promise<Me> {
  const now = await call(
    'switchPerson',
    {},
    { shop: me.shop.id, device: deviceId(), person: me.person.id, secret, pin },
  );
  noteVerified(me.person.id);
  return now;
}
