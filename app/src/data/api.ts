import * as v from 'valibot';
import { replies, routes, type RouteName } from '@stennet/core/contract';
import type { BodyOf, ReplyOf } from '@stennet/core/contract/work';
import { noteServerTime } from '@/platform/clockOff';
import { AppError, isErrorCode, type ErrorParams } from '@stennet/core/errors';
import { work } from './work';

const PATIENCE_MS = 15_000;

/**
 * Counts the sign-ins on this page: “no one is signed in” said to a question of before the last one
 * is not news.
 */
let signIns = 0;
export const noteNewSignIn = (): void => void (signIns += 1);

/**
 * One call of the contract. Replies are parsed leniently, refusals become AppErrors with their
 * code.
 * @throws AppError OFFLINE when the server cannot be reached
 */
export async function call<R extends RouteName>(
  name: R,
  params: Record<string, string> = {},
  body?: BodyOf<R>,
  query: Record<string, string> = {},
): Promise<ReplyOf<R>> {
  return ask(
    name,
    params,
    query,
    body === undefined
      ? {}
      : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) },
  );
}

/** The same with plain bytes for a body. */
export async function callRaw<R extends RouteName>(
  name: R,
  params: Record<string, string>,
  bytes: Uint8Array<ArrayBuffer>,
  query: Record<string, string>,
): Promise<ReplyOf<R>> {
  return ask(name, params, query, {
    headers: { 'Content-Type': 'application/octet-stream' },
    body: bytes,
  });
}

async function ask<R extends RouteName>(
  name: R,
  params: Record<string, string>,
  query: Record<string, string>,
  sent: RequestInit,
): Promise<ReplyOf<R>> {
  const route = routes[name];
  const path = route.path.replace(/:(\w+)/g, (_all, key: string) =>
    encodeURIComponent(params[key] ?? ''),
  );
  const asked = new URLSearchParams(query).toString();
  const askedAt = signIns;
  const response = await fetch(asked ? `${path}?${asked}` : path, {
    method: route.method,
    credentials: 'same-origin',
    signal: AbortSignal.timeout(PATIENCE_MS),
    ...sent,
  }).catch(() => {
    throw new AppError('OFFLINE');
  });
  noteServerTime(response.headers.get('date'));
  const reply: unknown = await response.json().catch(() => undefined);
  if (!response.ok) {
    const why = refusalIn(reply);
    throw why.code === 'SIGN_IN_NEEDED' && askedAt !== signIns ? new AppError('OFFLINE') : why;
  }
  const schema = await schemaOf(name);
  return v.parse(schema as v.GenericSchema<unknown, ReplyOf<R>>, reply);
}

/** What a run or a sheet looks like is loaded with the first of them. */
async function schemaOf(name: RouteName): Promise<v.GenericSchema> {
  if (name in replies) return replies[name as keyof typeof replies];
  const { runReplies } = await work();
  return runReplies[name as keyof typeof runReplies];
}

/** What a reply that was not taken says. */
export function refusalIn(reply: unknown): AppError {
  const error = (reply as { error?: { code?: string; params?: ErrorParams } } | undefined)?.error;
  // A proxy's own page, or a code from a newer server: nothing to tell apart.
  if (!isErrorCode(error?.code)) return new AppError('OFFLINE');
  return new AppError(error.code, error.params ?? {});
}

export const asAppError = (error: unknown): AppError =>
  error instanceof AppError ? error : new AppError('INTERNAL');

/** What went wrong with a question, for the screen; null while it is on its way. */
export const problemOf = (query: { isError: boolean; error: unknown }): AppError | null =>
  query.isError ? asAppError(query.error) : null;
