import type { Request, Response } from 'express';
import { AppError } from '@stennet/core/errors';
import { answerErrors } from './guards';

/** What someone is answered, and whether the log has it. */
function answered(error: unknown): { status: number; code: string; isLogged: boolean } {
  const seen = { status: 0, code: '', isLogged: false };
  const res = {
    status: (status: number) => Object.assign(res, { seen: (seen.status = status) }),
    json: ({ error: { code } }: { error: { code: string } }) => void (seen.code = code),
  } as unknown as Response;
  const req = { log: { error: () => void (seen.isLogged = true) } } as unknown as Request;
  answerErrors(null)(error, req, res, () => undefined);
  return seen;
}
const withCode = (code: string): Error =>
  Object.assign(new Error('inside: /var/lib/secret'), { code });

test.each([
  ['no room in the database', withCode('53100'), 507, 'DISK_FULL'],
  ['no room for a file', withCode('ENOSPC'), 507, 'DISK_FULL'],
  ['a database that is away', withCode('ECONNREFUSED'), 503, 'OFFLINE'],
  ['a database that recovers', withCode('57P03'), 503, 'OFFLINE'],
  ['a shop that is being moved', withCode('55P03'), 503, 'OFFLINE'],
  ['a primary that is one no more', withCode('25006'), 503, 'OFFLINE'],
  ['a refusal', new AppError('FORBIDDEN', { role: 'adviser' }), 403, 'FORBIDDEN'],
  ['an address that cannot be read', new URIError('x'), 404, 'NOT_FOUND'],
])('%s is said as what it is, and is no fault of ours in the log', (_what, error, status, code) => {
  expect(answered(error)).toEqual({ status, code, isLogged: false });
});

test.each([[new Error('x')], [withCode('23505')], ['a text'], [null]])(
  '%p is a fault of ours: logged, and nothing of the inside is said',
  (error) => {
    expect(answered(error)).toEqual({ status: 500, code: 'INTERNAL', isLogged: true });
  },
);
