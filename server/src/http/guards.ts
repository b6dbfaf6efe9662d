import { isIP } from 'node:net';
import type { ErrorRequestHandler, Request, RequestHandler, Response } from 'express';
import { countRefused } from './metrics';
import { DatabaseError } from '../db/connection';
import { AppError, toWire } from '@stennet/core/errors';
import { Moved } from '../db/database';
import { handOn, type Cells } from './cells';
import { statusOf } from './status';

/**
 * Every write must come from a page of this very address; browsers always say from where. @param
 * isSecure it is served over TLS, here or by the proxy before it
 */
export const requireSameOrigin =
  (isSecure: boolean): RequestHandler =>
  (req, _res, next) => {
    if (req.method === 'GET' || req.method === 'HEAD') return next();
    const origin = `${isSecure ? 'https' : 'http'}://${req.headers.host ?? ''}`;
    next(req.headers.origin === origin ? undefined : new AppError('WRONG_ORIGIN'));
  };

/** What no stranger can make point here: numbers, and names that only a local network knows. */
const isLocal = (name: string): boolean =>
  isIP(name.replace(/^\[|\]$/g, '')) !== 0 ||
  name === 'localhost' ||
  /^[a-z0-9-]+(\.local)?$/.test(name);

/**
 * Only under its own names: a page of someone else whose name was made to point here reads
 * nothing.
 * @param names names beyond the server's address and its name in the local network
 */
export const requireOwnHost =
  (names: readonly string[]): RequestHandler =>
  (req, _res, next) => {
    const name = (req.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
    next(
      isLocal(name) || names.includes(name)
        ? undefined
        : new AppError('WRONG_HOST', { host: name.slice(0, 100) }),
    );
  };

/**
 * The edge: refusals keep their code, everything else becomes INTERNAL and says nothing of the
 * inside. A shop that has moved answers from where it is.
 */
export const answerErrors =
  (cells: Cells | null): ErrorRequestHandler =>
  (error: unknown, req, res, _next) => {
    try {
      if (error instanceof Moved && cells) return handOn(cells, error.cell, req, res);
      answer(error, req, res);
    } catch (second) {
      answer(second, req, res);
    }
  };

function answer(error: unknown, req: Request, res: Response): void {
  const refusal = refusalOf(error);
  if (refusal.code === 'INTERNAL') req.log.error(error);
  else if (error instanceof DatabaseError) req.log.warn(error);
  countRefused(refusal.code);
  res.status(statusOf[refusal.code]).json({ error: toWire(refusal) });
}

/**
 * The database is starting, stopping, recovering or away: the app keeps what it has and tries
 * again.
 */
const AWAY = [
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'EHOSTUNREACH',
  'ENOTFOUND',
  '57P01',
  '57P02',
  '57P03',
  // One that was the primary a moment ago.
  '25006',
  '58030',
  '40001',
  '40P01',
  '53300',
  '55000',
  // A shop that is being moved.
  '55P03',
];
/** Classes of PostgreSQL's codes: connection exceptions, and values that no column takes. */
const AWAY_CLASS = '08';
const VALUE_CLASS = '22';
const VALUES = ['23502', '23514'];
/** An id that is there already; a row that names one that is not. */
const TAKEN = '23505';
const NOWHERE = '23503';
/** PostgreSQL's disk_full, and the system's own. */
const NO_ROOM = ['53100', 'ENOSPC'];

function refusalOf(error: unknown): AppError {
  if (error instanceof AppError) return error;
  const { type, code } = (error ?? {}) as { type?: string; code?: string };
  if (type === 'entity.too.large' || type === 'parameters.too.many')
    return new AppError('TOO_LARGE');
  if (
    type?.startsWith('entity.') ||
    type?.startsWith('encoding.') ||
    type?.startsWith('charset.') ||
    type === 'request.aborted' ||
    type === 'request.size.invalid'
  ) {
    return new AppError('BAD_REQUEST');
  }
  if (error instanceof URIError) return new AppError('NOT_FOUND');
  if (code && NO_ROOM.includes(code)) return new AppError('DISK_FULL');
  if (code && (AWAY.includes(code) || (code.length === 5 && code.startsWith(AWAY_CLASS))))
    return new AppError('OFFLINE');
  if (error instanceof DatabaseError) return refusalOfDatabase(error);
  return new AppError('INTERNAL');
}

/** What was sent passed every check of ours and does not go into the tables all the same. */
function refusalOfDatabase({ code = '' }: DatabaseError): AppError {
  if (code.startsWith(VALUE_CLASS) || VALUES.includes(code))
    return new AppError('BAD_REQUEST', { where: 'a value' });
  if (code === TAKEN) return new AppError('ID_TAKEN');
  return new AppError(code === NOWHERE ? 'NOT_FOUND' : 'INTERNAL');
}
