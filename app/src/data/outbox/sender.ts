import type { Me } from '@stennet/core/contract';
import type { ReplyOf } from '@stennet/core/contract/run';
import { AppError } from '@stennet/core/errors';
import type { RunEvent } from '@stennet/core/run';
import { onBackOnline } from '@/platform/online';
import { deviceName } from '@/platform/device';
import { markStored } from '@/platform/storage';
import { asAppError, call, callAs } from '../api';
import { isUnseen } from '../bay';
import { noteSignedOut, queryClient } from '../queries';
import { sendTraces } from '../traces';
import { countUnsent, markRefused, markSent, runsToSend, waitingOf } from './outbox';

/** What the screen says of the way to the server. */
export interface Sending {
  unsent: number;
  refused: number;
  state: 'idle' | 'sending' | 'offline' | 'signIn';
}

const BATCH = 100;
const RETRY_MS = 2500;
/** Goes out when the one who made it is signed in again, in its shop. */
const NEEDS_PERSON: readonly string[] = ['SIGN_IN_NEEDED', 'WRONG_PERSON', 'RUN_UNKNOWN', 'FORBIDDEN'];

let current: Sending = { unsent: 0, refused: 0, state: 'idle' };
const listeners = new Set<() => void>();
const runListeners = new Set<(run: string) => void>();
let working = false;
let again = false;
let retry: ReturnType<typeof setTimeout> | undefined;

export const sending = (): Sending => current;
export function onSending(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}
/** Called when something of a run was acknowledged or refused. */
export function onRunSent(tell: (run: string) => void): () => void {
  runListeners.add(tell);
  return () => runListeners.delete(tell);
}

function set(next: Sending): void {
  current = next;
  for (const tell of listeners) tell();
}

/** Counted at once when something is confirmed; the count from disk follows. */
export function noteConfirmed(): void {
  set({ ...current, unsent: current.unsent + 1 });
  void send();
}

/** Sends whatever waits, run by run, in order; called after each confirmation, on return of the network, and again after a while. */
export async function send(): Promise<void> {
  if (working) {
    again = true;
    return;
  }
  working = true;
  clearTimeout(retry);
  let state: Sending['state'] = 'idle';
  try {
    do {
      again = false;
      for (const run of await runsToSend().catch((): string[] => [])) {
        set({ ...current, state: 'sending' });
        state = worse(state, await tryRun(run));
      }
    } while (again && state === 'idle');
    if (state === 'offline') retry = setTimeout(() => void send(), RETRY_MS);
  } finally {
    working = false;
    set({ ...(await countUnsent().catch(() => ({ unsent: current.unsent, refused: current.refused }))), state });
    // Behind the counting, not at the confirmation: writing a cookie takes its time.
    markStored(current.unsent);
    if (state === 'idle') void sendTraces();
  }
}

/** One run that cannot be sent (another person's, another shop's) does not hold up the others. */
async function tryRun(run: string): Promise<Sending['state']> {
  try {
    await sendRun(run);
    return 'idle';
  } catch (error) {
    // Another person's sign-in that ran out is not that of whoever is on.
    if (await isOwn(run)) noteSignedOut(asAppError(error));
    return NEEDS_PERSON.includes(asAppError(error).code) ? 'signIn' : 'offline';
  }
}

async function isOwn(run: string): Promise<boolean> {
  const [first] = (await waitingOf(run)).filter((e) => !e.refused);
  const me = queryClient.getQueryData<Me>(['me']);
  return !first || !me || (first.event.person === me.person.id && !isUnseen(me.person.id));
}

const worse = (a: Sending['state'], b: Sending['state']): Sending['state'] => (a === 'offline' || b === 'idle' ? a : b);

async function sendRun(run: string): Promise<void> {
  for (;;) {
    const waiting = (await waitingOf(run)).flatMap((e) => (e.refused ? [] : [e.event]));
    // Each goes out under the name of who confirmed it; nothing of somebody whom the server has not seen yet.
    const person = waiting[0]?.person;
    const other = waiting.findIndex((e) => e.person !== person);
    const batch = waiting.slice(0, Math.min(BATCH, other < 0 ? BATCH : other));
    if (batch.length === 0) return;
    if (isUnseen(person)) throw new AppError('SIGN_IN_NEEDED');
    const refused = await sendBatch(run, batch, waiting);
    for (const tell of runListeners) tell(run);
    if (refused) return;
  }
}

async function sendBatch(run: string, batch: RunEvent[], waiting: RunEvent[]): Promise<boolean> {
  try {
    const { stored, refused } = await append(run, batch);
    const accepted = new Set(stored.map((s) => s.id));
    await markSent(batch.filter((e) => accepted.has(e.id)));
    if (!refused) return false;
    throw new AppError(refused.code as never, refused.params);
  } catch (error) {
    const problem = asAppError(error);
    if (!isFinal(problem)) throw problem;
    // What builds on a refused entry cannot stand either; all of it is kept and shown.
    await markRefused(await stillWaiting(run, waiting), { code: problem.code, params: problem.params });
    return true;
  }
}

/** Under the name of who confirmed them: another's session stands beside the one that is on. */
function append(run: string, events: RunEvent[]): Promise<ReplyOf<'appendRunEvents'>> {
  const person = events[0]?.person ?? '';
  const body = { deviceName: deviceName(), events };
  return person === queryClient.getQueryData<Me>(['me'])?.person.id ? call('appendRunEvents', { run }, body) : callAs(person, 'appendRunEvents', { run }, body);
}

async function stillWaiting(run: string, waiting: RunEvent[]): Promise<RunEvent[]> {
  const unsent = new Set((await waitingOf(run)).map((e) => e.event.id));
  return waiting.filter((e) => unsent.has(e.id));
}

/** What trying again cannot change. A missing network, a sign-in, another person's turn are not. */
function isFinal(problem: AppError): boolean {
  const passing: readonly string[] = [...NEEDS_PERSON, 'OFFLINE', 'INTERNAL', 'DISK_FULL', 'SIGN_IN_LIMITED', 'BAD_REQUEST', 'TOO_LARGE', 'NOT_FOUND', 'WRONG_ORIGIN'];
  return !passing.includes(problem.code);
}

export function startSending(): () => void {
  void send();
  const stop = onBackOnline(() => void send());
  return () => {
    stop();
    clearTimeout(retry);
  };
}
