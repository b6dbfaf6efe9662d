import type { ErrorRequestHandler, RequestHandler } from 'express';
import { AppError, toWire } from '@stennet/core/errors';
import { statusOf } from './status';

/** Every write must come from a page of this very address; browsers always say from where. */
export const requireSameOrigin: RequestHandler = (req, _res, next) => {
  if (req.method === 'GET' || req.method === 'HEAD') return next();
  const origin = req.headers.origin;
  const host = origin && URL.canParse(origin) ? new URL(origin).host : undefined;
  next(host !== undefined && host === req.headers.host ? undefined : new AppError('WRONG_ORIGIN'));
};

/** The edge: refusals keep their code, everything else becomes INTERNAL and says nothing of the inside. */
export const answerErrors: ErrorRequestHandler = (error: unknown, req, res, _next) => {
  const refusal = refusalOf(error);
  if (refusal.code === 'INTERNAL') req.log.error(error);
  res.status(statusOf[refusal.code]).json({ error: toWire(refusal) });
};

/** The database is starting, stopping, recovering or away: the app keeps what it has and tries again. */
const AWAY = ['ECONNREFUSED', 'ECONNRESET', '57P01', '57P02', '57P03', '58030'];
/** PostgreSQL's disk_full, and the system's own. */
const NO_ROOM = ['53100', 'ENOSPC'];

/** What the driver says without a code: broken off, or none became free in time. */
const NO_CONNECTION = /^(Connection terminated|timeout exceeded when trying to connect)/;

function refusalOf(error: unknown): AppError {
  if (error instanceof AppError) return error;
  const { type, code } = (error ?? {}) as { type?: string; code?: string };
  if (type === 'entity.too.large' || type === 'parameters.too.many') return new AppError('TOO_LARGE');
  if (type?.startsWith('entity.') || type?.startsWith('encoding.') || type?.startsWith('charset.') || type === 'request.aborted' || type === 'request.size.invalid') {
    return new AppError('BAD_REQUEST');
  }
  if (error instanceof URIError) return new AppError('NOT_FOUND');
  if (code && NO_ROOM.includes(code)) return new AppError('DISK_FULL');
  if (code && AWAY.includes(code)) return new AppError('OFFLINE');
  if (error instanceof Error && NO_CONNECTION.test(error.message)) return new AppError('OFFLINE');
  return new AppError('INTERNAL');
}
