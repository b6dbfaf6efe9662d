import type { Express, Request, RequestHandler, Response } from 'express';
import * as v from 'valibot';
import {
  HashSchema,
  isAllowed,
  KeySchema,
  routes,
  UuidSchema,
  type RouteName,
} from '@stennet/core/contract';
import { allBodies, type BodyOf, type ReplyOf } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import type { Client, Database } from '../db/database';
import type { ForeignReader } from '../record/foreignReader';
import type { Cells } from './cells';
import { shelfOf, type Files, type Shelf } from '../files/files';
import type { Keys } from '../keys/keys';
import type { Hints, Topic } from '../db/hints';
import type { CheckedRecords } from '../record/checkedRecords';
import type { KeptRuns } from '../record/keptRuns';
import { requireSession, type KnownSessions, type Session } from './session';

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
  /** Where photos, curves and put-away records lie; null: in the database. */
  files: Files | null;
  /** null: one cluster has all shops. */
  cells: Cells | null;
  foreign: ForeignReader;
  /** What runs that were written here last have come to. */
  runs: KeptRuns;
  /** What was found in the records that were asked for last. */
  checked: CheckedRecords;
  known: KnownSessions;
  /** false only where a test puts a device's clock forward by hand. */
  judgesWaits: boolean;
  /** Printed by the start command: who has it makes the first shop. null: none can be made. */
  setupCode: string | null;
}

/** The part of the files that belongs to the shop of who asks. */
export const shelfFor = (deps: Pick<Deps, 'files'>, session: Session): Shelf | null =>
  shelfOf(deps.files, session.shop.id);

export interface Call<R extends RouteName> {
  req: Request;
  deps: Deps;
  session: Session;
  client: Client;
  params: Record<string, string>;
  query: Readonly<Record<string, unknown>>;
  body: NonNullable<BodyOf<R>>;
  res: Response;
}

/**
 * Registers a route of the contract: sign-in, role, parameters and body are checked, the work runs
 * in its shop.
 */
export function serve<R extends RouteName>(
  app: Express,
  deps: Deps,
  name: R,
  work: (call: Call<R>) => Promise<ReplyOf<R>>,
): void {
  register(app, name, inItsShop(deps, name, work));
}

export function inItsShop<R extends RouteName>(
  deps: Deps,
  name: R,
  work: (call: Call<R>) => Promise<ReplyOf<R>>,
): RequestHandler {
  return async (req, res) => {
    const session = await requirePerson(deps, name, req);
    const params = namesIn(req);
    const body = parseBody(name, req) as NonNullable<BodyOf<R>>;
    const isLook = routes[name].method === 'GET';
    const isHeard = !isLook && name !== 'keepTrace';
    const topic = (): Topic => (params.run ? `run:${params.run}` : 'orders');
    const reply = await deps.db[isLook ? 'lookInShop' : 'inShop'](
      session.shop.id,
      (client) => work({ req, deps, session, client, params, query: req.query, body, res }),
      isHeard ? topic : undefined,
    );
    res.json(reply);
  };
}

const sessions = new WeakMap<Request, Session>();
const placesOf = (names: readonly RouteName[]): ((req: Request) => boolean) => {
  const places = names.map((name) => ({
    method: routes[name].method,
    path: new RegExp(`^${routes[name].path.replace(/:\w+/g, '[^/]+')}/?$`, 'i'),
  }));
  return (req) =>
    places.some(
      ({ method, path }) => method === req.method && path.test(`${req.baseUrl}${req.path}`),
    );
};
const isAtDoor = placesOf(
  (Object.keys(routes) as RouteName[]).filter((name) => routes[name].permission === 'door'),
);
/** What is large on its way in or out, or takes long to make. */
const isHeavy = placesOf([
  'exportSheets',
  'importSheets',
  'orderArchive',
  'takeForeign',
  'checkForeign',
  'foreignRecord',
  'recordOut',
  'history',
]);
/** What asks for its session itself, together with all else. */
const isConfirmation = placesOf(['appendRunEvents']);
/** So many of those at once for one person: the rest of the shop goes on. */
const HEAVY_AT_ONCE = 3;
const heavy = new Map<string, number>();

/**
 * Who it is comes first: nothing of a stranger's body is read, unpacked or kept, except at the
 * door, where it is small.
 */
export function sessionFirst(deps: Deps): RequestHandler {
  return async (req, res, next) => {
    if (isAtDoor(req) || (isConfirmation(req) && deps.known.of(req))) return next();
    const session = await requireSession(deps.db, req, deps.now());
    deps.known.note(req, session);
    sessions.set(req, session);
    if (isHeavy(req)) takeTurn(session.person.id, res);
    next();
  };
}

function takeTurn(person: string, res: Response): void {
  const under = heavy.get(person) ?? 0;
  if (under >= HEAVY_AT_ONCE) throw new AppError('BUSY');
  heavy.set(person, under + 1);
  res.once('close', () => {
    const left = (heavy.get(person) ?? 1) - 1;
    if (left > 0) heavy.set(person, left);
    else heavy.delete(person);
  });
}

/** Who is signed in, where they may take this route. */
export async function requirePerson(deps: Deps, name: RouteName, req: Request): Promise<Session> {
  const session = sessions.get(req) ?? (await requireSession(deps.db, req, deps.now()));
  const { permission } = routes[name];
  if (permission && permission !== 'door' && !isAllowed(session.role, permission))
    throw new AppError('FORBIDDEN', { role: session.role });
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

/**
 * Strict: an unknown field, a wrong type or a text that cannot be stored is refused with its place.
 */
export function parseBody<R extends RouteName>(name: R, req: Request): unknown {
  const schema: v.GenericSchema | undefined =
    name in allBodies ? allBodies[name as keyof typeof allBodies] : undefined;
  if (!schema) return undefined;
  const parsed = v.safeParse(schema, req.body, { abortEarly: true });
  if (!parsed.success) {
    const issue = parsed.issues[0];
    const where = v.getDotPath(issue) ?? 'body';
    throw new AppError('BAD_REQUEST', { where: where.slice(0, 120) });
  }
  return parsed.output;
}
