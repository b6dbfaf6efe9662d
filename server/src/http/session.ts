import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { parse } from 'cookie';
import type { Request, Response } from 'express';
import { LRUCache } from 'lru-cache';
import * as v from 'valibot';
import { UuidSchema, type Me, type Role, type Shop } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { Moved, type Client, type Database } from '../db/database';
import {
  endSession as endSessionRow,
  enterSession,
  insertSession,
  type SessionRow,
} from '../db/sessions';

/**
 * Who asks, in which shop. The cookie names the shop, so that the look-up itself is already behind
 * row-level security.
 */
export interface Session {
  id: string;
  person: { id: string; name: string };
  role: Role;
  shop: Shop;
  /** What the app proves with that an entry was confirmed while this session was on; base64url. */
  entryKey: string;
}

const COOKIE = 'stennet_session';
const DEVICE = 'stennet_device';
/** Kept by the app (platform/storage). */
const UNSENT = 'stennet_unsent';
const WORKING_DAY_MS = 14 * 3_600_000;
const DEVICE_MS = 365 * 24 * 3_600_000;
/** So many are remembered; one more goes the longer way. */
const MOST_KNOWN = 5000;
const KNOWN_MS = 10 * 60_000;
const TOKEN = /^[\w-]{43}$/;

export const hashOf = (token: string): Buffer => createHash('sha256').update(token).digest();
const freshToken = (): string => randomBytes(32).toString('base64url');

interface Kept {
  shop: string;
  token: string;
  /** Entries that this device has and the server has not, as it says itself. */
  unsent: number;
}

const cookieNamed = (req: Request, name: string): string | undefined =>
  parse(req.headers.cookie ?? '')[name];

function cookieOf(req: Request): Kept | undefined {
  const [shop, token] = cookieNamed(req, COOKIE)?.split('.') ?? [];
  const unsent = /^\d{1,6}$/.exec(cookieNamed(req, UNSENT) ?? '');
  return token && v.is(UuidSchema, shop) && TOKEN.test(token)
    ? { shop, token, unsent: Number(unsent?.[0] ?? 0) }
    : undefined;
}

/** Hash of what names this browser, no matter who is signed in there. */
export function deviceOf(req: Request): Buffer | null {
  const token = cookieNamed(req, DEVICE);
  return token && TOKEN.test(token) ? hashOf(token) : null;
}

/**
 * Who was signed in a moment ago: enough to read what they send. Nothing is kept of it before
 * `lockKnown` has asked again, in the same transaction.
 */
export class KnownSessions {
  private readonly byToken = new LRUCache<string, Session>({ max: MOST_KNOWN, ttl: KNOWN_MS });

  of(req: Request): Session | undefined {
    return this.byToken.get(cookieOf(req)?.token ?? '');
  }

  note(req: Request, session: Session): void {
    this.byToken.set(cookieOf(req)?.token ?? '', session);
  }

  forget(req: Request): void {
    this.byToken.delete(cookieOf(req)?.token ?? '');
  }
}

/** What it is asked by whether the session is still on. @throws AppError SIGN_IN_NEEDED */
export function shownBy(req: Request): { token: Buffer; unsent: number } {
  const kept = cookieOf(req);
  if (!kept) throw new AppError('SIGN_IN_NEEDED');
  return { token: hashOf(kept.token), unsent: kept.unsent };
}

/** @throws AppError SIGN_IN_NEEDED */
export async function requireSession(db: Database, req: Request, now: Date): Promise<Session> {
  const kept = cookieOf(req);
  if (!kept) throw new AppError('SIGN_IN_NEEDED');
  return sessionIn(db, kept, now, req.method !== 'GET');
}

/**
 * @param isTouched someone's hand was on it: what is asked for in the background keeps no session
 * awake
 */
async function sessionIn(
  db: Database,
  kept: Kept,
  now: Date,
  isTouched: boolean,
): Promise<Session> {
  const row = await db.alone((c) => entered(c, db, kept, now, isTouched));
  if (!row) throw new AppError('SIGN_IN_NEEDED');
  if (!('id' in row)) throw new Moved(row.moved);
  return sessionOf(row);
}

async function entered(
  client: Client,
  { isCell }: Database,
  { shop, token, unsent }: Kept,
  now: Date,
  isTouched: boolean,
): Promise<Awaited<ReturnType<typeof enterSession>>[number] | undefined> {
  const [row] = await enterSession(client, shop, hashOf(token), now, isTouched, isCell, unsent);
  return row;
}

export function sessionOf(row: SessionRow): Session {
  return {
    id: row.id,
    person: { id: row.account, name: row.name },
    role: row.role,
    shop: {
      id: row.shop,
      name: row.shop_name,
      locale: row.locale,
      timeZone: row.time_zone,
      paper: row.paper,
      torqueUnit: row.torque_unit,
      secondSignature: row.second_signature,
      idleMinutes: row.idle_minutes,
      retentionMonths: row.retention_months,
    },
    entryKey: row.entry_key.toString('base64url'),
  };
}

/** What someone comes in with: the request they come from, and where they go. */
export interface Coming {
  req: Request;
  res: Response;
  now: Date;
  secure: boolean;
}

/**
 * A new token for each sign-in and each change of shop; only its hash is stored. @returns the
 * session that is on from here
 */
export async function beginSession(
  db: Database,
  { req, res, now, secure }: Coming,
  shop: string,
  account: string,
): Promise<Session> {
  const kept = { shop, token: freshToken(), unsent: 0 };
  const ends = new Date(now.getTime() + WORKING_DAY_MS);
  await db.inShop(shop, (c) =>
    insertSession(
      c,
      shop,
      hashOf(kept.token),
      account,
      now,
      ends,
      randomUUID(),
      randomBytes(32),
      browserOf(req),
      req.ip ?? '',
    ),
  );
  res.cookie(COOKIE, `${shop}.${kept.token}`, {
    httpOnly: true,
    sameSite: 'strict',
    secure,
    maxAge: WORKING_DAY_MS,
    path: '/',
  });
  return sessionIn(db, kept, now, false);
}

/** The browser gets a name of its own, if it has none yet. @returns its hash */
export function nameDevice({ req, res, secure }: Coming): Buffer {
  const known = deviceOf(req);
  if (known) return known;
  const token = freshToken();
  res.cookie(DEVICE, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure,
    maxAge: DEVICE_MS,
    path: '/api',
  });
  return hashOf(token);
}

/** Enough for a person to know it again: “Firefox on Android”. */
export function browserOf(req: Request): string {
  const agent = req.get('user-agent') ?? '';
  const browser = /Edg|Firefox|Chrome|Safari/.exec(agent)?.[0] ?? 'Browser';
  const system = /Android|iPhone|iPad|Windows|Macintosh|Linux/.exec(agent)?.[0];
  return system ? `${browser} on ${system}` : browser;
}

export const isSameSession = (req: Request, tokenHash: Buffer): boolean => {
  const kept = cookieOf(req);
  return kept !== undefined && hashOf(kept.token).equals(tokenHash);
};

export async function endSession(
  db: Database,
  req: Request,
  res: Response,
  now: Date,
): Promise<void> {
  const kept = cookieOf(req);
  if (kept) await db.inShop(kept.shop, (c: Client) => endSessionRow(c, hashOf(kept.token), now));
  res.clearCookie(COOKIE, { path: '/' }).set('Clear-Site-Data', '"cache"');
}

export function meOf(session: Session, shops: Me['shops'], clockSetTo: string | null): Me {
  return {
    person: session.person,
    shop: session.shop,
    role: session.role,
    shops,
    clockSetTo,
    entry: { session: session.id, key: session.entryKey },
  };
}
