import { createHash, randomBytes } from 'node:crypto';
import type { Request, Response } from 'express';
import * as v from 'valibot';
import { UuidSchema, type Me, type Role, type Shop } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import type { Client, Database } from '../db/database';
import deleteSession from '../db/queries/deleteSession.sql';
import findSession from '../db/queries/findSession.sql';
import insertSession from '../db/queries/insertSession.sql';

/** Who asks, in which shop. The cookie names the shop, so that the look-up itself is already behind row-level security. */
export interface Session {
  person: { id: string; name: string };
  role: Role;
  shop: Shop;
}

const COOKIE = 'stennet_session';
const WORKING_DAY_MS = 14 * 3_600_000;

const hashOf = (token: string): Buffer => createHash('sha256').update(token).digest();

/** On a shared device each person's session stays beside the one that is on: what they confirmed goes out under their own name. */
const AS_PERSON = 'x-stennet-person';
const cookieOfPerson = (account: string): string => `stennet_of_${account}`;

function cookieOf(req: Request): { shop: string; token: string } | undefined {
  // For sending entries only: nothing else is done, and nothing signed, under another's name.
  const isSending = req.method === 'POST' && /^\/api\/runs\/[^/]+\/events$/.test(req.path);
  const person = req.headers[AS_PERSON];
  const name = isSending && typeof person === 'string' && v.is(UuidSchema, person) ? cookieOfPerson(person) : COOKIE;
  const raw = req.headers.cookie
    ?.split(/; */)
    .find((c) => c.startsWith(`${name}=`))
    ?.slice(name.length + 1);
  const [shop, token] = raw?.split('.') ?? [];
  return token && v.is(UuidSchema, shop) && /^[\w-]{43}$/.test(token) ? { shop, token } : undefined;
}

interface SessionRow {
  account: string;
  name: string;
  role: Role;
  shop: string;
  shop_name: string;
  second_signature: boolean;
  locale: string;
  time_zone: string;
  paper: Shop['paper'];
  torque_unit: Shop['torqueUnit'];
}

/** @throws AppError SIGN_IN_NEEDED */
export async function requireSession(db: Database, req: Request, now: Date): Promise<Session> {
  const cookie = cookieOf(req);
  if (!cookie) throw new AppError('SIGN_IN_NEEDED');
  const { rows } = await db.inShop(cookie.shop, (c) => c.query<SessionRow>(findSession, [hashOf(cookie.token), now]));
  const row = rows[0];
  if (!row) throw new AppError('SIGN_IN_NEEDED');
  return {
    person: { id: row.account, name: row.name },
    role: row.role,
    shop: { id: row.shop, name: row.shop_name, locale: row.locale, timeZone: row.time_zone, paper: row.paper, torqueUnit: row.torque_unit, secondSignature: row.second_signature },
  };
}

/** A new token for each sign-in and each change of shop; only its hash is stored. */
export async function beginSession(client: Client, res: Response, shop: string, account: string, now: Date, secure: boolean): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await client.query(insertSession, [shop, hashOf(token), account, now, new Date(now.getTime() + WORKING_DAY_MS)]);
  const kept = { httpOnly: true, sameSite: 'strict', secure, maxAge: WORKING_DAY_MS } as const;
  res.cookie(COOKIE, `${shop}.${token}`, { ...kept, path: '/' });
  res.cookie(cookieOfPerson(account), `${shop}.${token}`, { ...kept, path: '/api/runs' });
  return token;
}

export async function endSession(db: Database, req: Request, res: Response, now: Date): Promise<void> {
  const cookie = cookieOf(req);
  if (cookie) await db.inShop(cookie.shop, (c) => c.query(deleteSession, [hashOf(cookie.token), now]));
  res.clearCookie(COOKIE, { path: '/' });
}

export function meOf(session: Session, shops: Me['shops'], clockSetTo: string | null): Me {
  return { person: session.person, shop: session.shop, role: session.role, shops, clockSetTo };
}
