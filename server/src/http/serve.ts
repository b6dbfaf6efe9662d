import type { Express, Request, RequestHandler, Response } from 'express';
import * as v from 'valibot';
import { HashSchema, isAllowed, KeySchema, routes, UuidSchema, type RouteName } from '@stennet/core/contract';
import { allBodies, type BodyOf, type ReplyOf } from '@stennet/core/contract/run';
import { AppError } from '@stennet/core/errors';
import type { Client, Database } from '../db/database';
import type { Keys } from '../record/keys';
import { hint, type Hints } from '../db/hints';
import { requireSession, type Session } from './session';

export interface Deps {
  db: Database;
  now: () => Date;
  clockSetTo: string | null;
  secureCookie: boolean;
  /** Folder of the fonts that go on paper. */
  fonts: string;
  /** What records are sealed and signed with. */
  keys: Keys;
  hints: Hints;
  /** Printed by the start command: who has it makes the first shop. null: none can be made. */
  setupCode: string | null;
}

export interface Call<R extends RouteName> {
  deps: Deps;
  session: Session;
  client: Client;
  params: Record<string, string>;
  query: Readonly<Record<string, unknown>>;
  body: NonNullable<BodyOf<R>>;
  res: Response;
}

/** Registers a route of the contract: sign-in, role, parameters and body are checked, the work runs in its shop. */
export function serve<R extends RouteName>(app: Express, deps: Deps, name: R, work: (call: Call<R>) => Promise<ReplyOf<R>>): void {
  const handler: RequestHandler = async (req, res) => {
    const session = await requirePerson(deps, name, req);
    const params = namesIn(req);
    const body = parseBody(name, req) as NonNullable<BodyOf<R>>;
    const reply = await deps.db.inShop(session.shop.id, async (client) => {
      const done = await work({ deps, session, client, params, query: req.query, body, res });
      if (routes[name].method !== 'GET' && name !== 'keepTrace') await hint(client, session.shop.id, params.run ? `run:${params.run}` : 'orders');
      return done;
    });
    res.json(reply);
  };
  register(app, name, handler);
}

/** Who is signed in, where they may take this route. */
export async function requirePerson(deps: Deps, name: RouteName, req: Request): Promise<Session> {
  const session = await requireSession(deps.db, req, deps.now());
  const { permission } = routes[name];
  if (permission && permission !== 'door' && !isAllowed(session.role, permission)) throw new AppError('FORBIDDEN', { role: session.role });
  return session;
}

export function register(app: Express, name: RouteName, handler: RequestHandler): void {
  const { method, path } = routes[name];
  if (method === 'GET') app.get(path, handler);
  else if (method === 'POST') app.post(path, handler);
  else app.delete(path, handler);
}

const lower = v.pipe(UuidSchema, v.toLowerCase());
const vin = v.pipe(v.string(), v.toUpperCase(), v.regex(/^[A-Z0-9]{17}$/));
const NAMES: Record<string, v.GenericSchema<unknown, string>> = {
  sheet: KeySchema,
  revision: KeySchema,
  vin,
  photo: HashSchema,
  trace: HashSchema,
  token: v.pipe(v.string(), v.regex(/^[\w-]{43}\.ics$/)),
};

/** What stands in the address: ids, except where a sheet or a vehicle is named. */
export function namesIn(req: Request): Record<string, string> {
  const names = Object.entries(req.params).map(([name, text]) => {
    const parsed = v.safeParse(NAMES[name] ?? lower, text);
    if (!parsed.success) throw new AppError('NOT_FOUND');
    return [name, parsed.output] as const;
  });
  return Object.fromEntries(names);
}

/** Strict: an unknown field, a wrong type or a text that cannot be stored is refused with its place. */
export function parseBody<R extends RouteName>(name: R, req: Request): unknown {
  const schema: v.GenericSchema | undefined = name in allBodies ? allBodies[name as keyof typeof allBodies] : undefined;
  if (!schema) return undefined;
  const parsed = v.safeParse(schema, req.body, { abortEarly: true });
  if (!parsed.success) {
    const issue = parsed.issues[0];
    const where = v.getDotPath(issue) ?? 'body';
    throw new AppError('BAD_REQUEST', { where: where.slice(0, 120) });
  }
  return parsed.output;
}
