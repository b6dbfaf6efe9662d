import http from 'node:http';
import https from 'node:https';
import { parse } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import { AppError } from '@stennet/core/errors';
import { nameKey, nameLook, routes } from '@stennet/core/contract';
import type { Directory } from '../db/directory';

/**
 * Several clusters, each with its own servers and its own shops. A request carries the name of its
 * cell in a cookie; a server that is asked for another cell's shop hands the request on.
 */
export interface Cells {
  own: string;
  /** Where each cell's servers answer each other, by its name. */
  urls: ReadonlyMap<string, string>;
  directory: Directory;
  /** Whether browsers come over TLS. */
  secure: boolean;
}

const COOKIE = 'stennet_cell';
const SETUP = routes.setup.path.replace(/^\/api/, '');
const HOPS = 'x-stennet-hops';
/** A shop that moves while it is asked for is followed so often. */
const MOST_HOPS = 3;

/** In front of everything that knows shops: what belongs to another cell goes there, unread. */
export function toOwnCell(cells: Cells | null): RequestHandler {
  if (!cells) return (_req, _res, next) => next();
  return (req, res, next) => {
    // Another server has sent it here.
    if (req.headers[HOPS] !== undefined) {
      nameCell(cells, res);
      return next();
    }
    // A code for one more shop is good in the cell that it was made in.
    if (req.path === SETUP) return next();
    const named = parse(req.headers.cookie ?? '')[COOKIE] ?? cellOfFeed(req);
    if (named === undefined || named === cells.own || !cells.urls.has(named)) return next();
    handOn(cells, named, req, res);
  };
}

/** A calendar program keeps no cookies: the private address says where it was made. */
const cellOfFeed = (req: Request): string | undefined =>
  req.path.startsWith('/feed/') && typeof req.query.cell === 'string' ? req.query.cell : undefined;

/** From now on this browser asks for this cell. */
export function nameCell({ own, secure }: Cells, res: Response): void {
  res.cookie(COOKIE, own, { httpOnly: true, sameSite: 'strict', secure, path: '/' });
}

/**
 * Whoever signs in: their shops may be in another cell, which then answers.
 * @returns whether it does
 */
export async function isElsewhere(
  cells: Cells | null,
  name: string,
  req: Request,
  res: Response,
): Promise<boolean> {
  const cell = cells && (await cells.directory.cellOf(nameKey(name)));
  if (!cells || !cell || cell === cells.own) return false;
  handOn(cells, cell, req, res);
  return true;
}

/**
 * Before someone is added: their name belongs to this cell from now on.
 * @throws AppError NAME_TAKEN by someone in another cell
 */
export async function claimName(cells: Cells | null, name: string): Promise<void> {
  if (!cells) return;
  const cell = await cells.directory.note(nameKey(name), nameLook(name), cells.own);
  if (cell !== cells.own) throw new AppError('NAME_TAKEN', { name });
}

/** The whole request to a server of another cell, and its answer back. */
export function handOn(cells: Cells, cell: string, req: Request, res: Response): void {
  const url = cells.urls.get(cell);
  const hops = Number(req.headers[HOPS] ?? 0);
  if (!url || hops >= MOST_HOPS) throw new AppError('OFFLINE');
  const body = bodyOf(req);
  const { 'transfer-encoding': _chunked, ...headers } = req.headers;
  const { request } = url.startsWith('https:') ? https : http;
  const asked = request(url, {
    path: req.originalUrl,
    method: req.method,
    headers: {
      ...(body ? headers : req.headers),
      ...(body ? { 'content-length': String(body.length) } : {}),
      'x-forwarded-for': [req.headers['x-forwarded-for'], req.socket.remoteAddress].join(', '),
      [HOPS]: String(hops + 1),
    },
  });
  asked.on('response', (reply) => {
    res.writeHead(reply.statusCode ?? 502, reply.headers);
    reply.pipe(res);
  });
  asked.on('error', () => (res.headersSent ? res.destroy() : offline(res)));
  res.on('close', () => asked.destroy());
  if (body) asked.end(body);
  else req.pipe(asked);
}

const offline = (res: Response): void =>
  void res.status(503).json({ error: { code: 'OFFLINE', params: {} } });

/** What has been read of it already; null: it still comes. */
function bodyOf(req: Request): Buffer | null {
  if (Buffer.isBuffer(req.body)) return req.body;
  return req.body === undefined ? null : Buffer.from(JSON.stringify(req.body));
}
