import { now } from '@/platform/clock';
import type { Me } from '@stennet/core/contract';
import type { ReplyOf } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import type { RunEvent } from '@stennet/core/run';
import type { KeptEvent } from '../database';
import { onBackOnline } from '@/platform/online';
import { deviceName } from '@/platform/device';
import { announcer } from '@/platform/announce';
import { newSecret } from '@/platform/ids';
import { createStore } from 'zustand/vanilla';
import { markStored } from '@/platform/storage';
import { asAppError, call } from '../api';
import { isUnseen } from '../bay';
import { noteSignedOut, queryClient } from '../queries';
import { sendTraces } from '../traces';
import { holdKeyOf } from './holdKeys';
import { countUnsent, markRefused, markSent, waitingByRun, waitingOf } from './outbox';
import { queryKeys } from '../queryKeys';
import { fateOf, Retry, type Fate } from '../sendPolicy';

/** What the screen says of the way to the server. */
export interface Sending {
  unsent: number;
  refused: number;
  state: 'idle' | 'sending' | 'offline' | 'signIn';
}

const BATCH = 100;
/**
 * Goes out when the one who made it is signed in again, in its shop. A pull was done: what an app
 * and a server of different age do not understand of each other is no reason to refuse it.
 */
const fate = (error: AppError): Fate =>
  fateOf(error, {
    RUN_UNKNOWN: 'person',
    FORBIDDEN: 'person',
    BAD_REQUEST: 'later',
    TOO_LARGE: 'later',
    NOT_FOUND: 'later',
  });

const store = createStore<Sending>(() => ({ unsent: 0, refused: 0, state: 'idle' }));
const ofRun = announcer<string>();
let working = false;
let again = false;
const retry = new Retry(() => send());

export const sending = store.getState;
export const onSending = (tell: () => void): (() => void) => store.subscribe(tell);
/** Called when something of a run was acknowledged or refused. */
export const onRunSent = ofRun.on;

/** Counted at once when something is confirmed; the count from disk follows. */
export function noteConfirmed(): void {
  store.setState(({ unsent }) => ({ unsent: unsent + 1 }));
  void send();
}

/**
 * Sends whatever waits, run by run, in order; called after each confirmation, on return of the
 * network, and again after a while.
 */
export async function send(): Promise<void> {
  if (working) {
    again = true;
    return;
  }
  working = true;
  retry.stop();
  let state: Sending['state'] = 'idle';
  try {
    do {
      again = false;
      for (const [run, waiting] of await waitingByRun().catch(() => [])) {
        store.setState({ state: 'sending' });
        state = worse(state, await tryRun(run, waiting));
      }
    } while (again && state === 'idle');
    if (state === 'offline') retry.later();
    else retry.reset();
  } finally {
    working = false;
    store.setState({ ...(await countUnsent().catch(() => ({}))), state });
    // Behind the counting, not at the confirmation: writing a cookie takes its time.
    markStored(sending().unsent);
    if (state === 'idle') void sendTraces();
  }
}

/** One run that cannot be sent (another person's, another shop's) does not hold up the others. */
async function tryRun(run: string, waiting: readonly KeptEvent[]): Promise<Sending['state']> {
  try {
    await sendRun(run, waiting);
    return 'idle';
  } catch (error) {
    // Another person's sign-in that ran out is not that of the person on now.
    if (isOwn(waiting)) noteSignedOut(asAppError(error));
    return fate(asAppError(error)) === 'person' ? 'signIn' : 'offline';
  }
}

function isOwn([first]: readonly KeptEvent[]): boolean {
  const me = queryClient.getQueryData<Me>(queryKeys.me);
  return !first || !me || (first.event.person === me.person.id && !isUnseen(me.person.id));
}

const worse = (a: Sending['state'], b: Sending['state']): Sending['state'] =>
  a === 'offline' || b === 'idle' ? a : b;

/** What is confirmed in the meantime comes with the next round (`again`). */
async function sendRun(run: string, all: readonly KeptEvent[]): Promise<void> {
  for (let waiting = all; waiting.length > 0;) {
    const batch = firstBatch(waiting);
    if (isUnseen(batch[0]?.event.person)) throw new AppError('SIGN_IN_NEEDED');
    const refused = await sendBatch(run, batch, waiting);
    ofRun.tell(run);
    if (refused) return;
    waiting = waiting.slice(batch.length);
  }
}

/** Each goes out under the name of who confirmed it, within one hold. */
function firstBatch(waiting: readonly KeptEvent[]): readonly KeptEvent[] {
  const first = waiting[0]?.event;
  const other = waiting.findIndex(
    ({ event }) => event.person !== first?.person || event.hold !== first.hold,
  );
  return waiting.slice(0, Math.min(BATCH, other < 0 ? BATCH : other));
}

async function sendBatch(
  run: string,
  batch: readonly KeptEvent[],
  waiting: readonly KeptEvent[],
): Promise<boolean> {
  try {
    const { stored, refused } = await append(run, batch);
    const accepted = new Set(stored.map((s) => s.id));
    await markSent(batch.flatMap(({ event }) => (accepted.has(event.id) ? [event] : [])));
    if (!refused) return false;
    throw new AppError(refused.code as never, refused.params);
  } catch (error) {
    const problem = asAppError(error);
    if (fate(problem) !== 'refused') throw problem;
    // What builds on a refused entry cannot stand either; all of it is kept and shown.
    await markRefused(await stillWaiting(run, waiting), {
      code: problem.code,
      params: problem.params,
    });
    return true;
  }
}

/**
 * Sent by the person on now: for another's entries speaks the proof that was made when they were
 * confirmed, else that person signs in again.
 */
async function append(
  run: string,
  batch: readonly KeptEvent[],
): Promise<ReplyOf<'appendRunEvents'>> {
  const [first] = batch;
  const isOwnWork = first?.event.person === queryClient.getQueryData<Me>(queryKeys.me)?.person.id;
  if (!isOwnWork && batch.some((e) => !e.proof)) throw new AppError('WRONG_PERSON');
  const proofs = isOwnWork
    ? []
    : batch.flatMap(({ event, proof }) => (proof ? [{ event: event.id, ...proof }] : []));
  // One that was lost with the device's storage: the server takes what comes with another as said
  // by one who does not hold the run.
  const holdKey = (first && (await holdKeyOf(run, first.event.hold))) ?? newSecret();
  return call(
    'appendRunEvents',
    { run },
    {
      deviceName: deviceName(),
      holdKey,
      proofs,
      sentAt: now().toISOString(),
      events: batch.map((e) => e.event),
    },
  );
}

async function stillWaiting(run: string, waiting: readonly KeptEvent[]): Promise<RunEvent[]> {
  const unsent = new Set((await waitingOf(run)).map((e) => e.event.id));
  return waiting.flatMap(({ event }) => (unsent.has(event.id) ? [event] : []));
}

export function startSending(): () => void {
  void send();
  const stop = onBackOnline(() => void send());
  return () => {
    stop();
    retry.stop();
  };
}
