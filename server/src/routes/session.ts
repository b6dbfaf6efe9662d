import type { Express, Request } from 'express';
import type * as v from 'valibot';
import type { Me, Role, SignInBody } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import type { Client } from '../db/database';
import { passwordFits } from '../http/passwords';
import { beginSession, endSession, meOf, requireSession } from '../http/session';
import { parseBody, register, serve, type Deps } from '../http/serve';

const WINDOW_MINUTES = 15;
const TRIES_PER_NAME = 6;
const TRIES_PER_ADDRESS = 60;

export function sessionRoutes(app: Express, deps: Deps): void {
  register(app, 'signIn', async (req, res) => {
    const body = parseBody('signIn', req) as v.InferOutput<typeof SignInBody>;
    const now = deps.now();
    const { account, shops } = await signIn(deps, req, body, now);
    const first = shops[0];
    if (!first) throw new AppError('FORBIDDEN', { role: 'person without a shop' });
    await deps.db.inShop(first.id, async (client) =>
      beginSession(client, res, first.id, account, now, deps.secureCookie).then((token) => {
        req.headers.cookie = `stennet_session=${first.id}.${token}`;
      }),
    );
    res.json(meOf(await requireSession(deps.db, req, now), shops, deps.clockSetTo));
  });

  register(app, 'signOut', async (req, res) => {
    await endSession(deps.db, req, res, deps.now());
    res.json({ ok: true });
  });

  serve(app, deps, 'me', async ({ client, session }) => meOf(session, await shopsOf(client, session.person.id), deps.clockSetTo));

  register(app, 'switchShop', async (req, res) => {
    const now = deps.now();
    const session = await requireSession(deps.db, req, now);
    const body = parseBody('switchShop', req) as { shop: string };
    const shops = await deps.db.atDoor((c) => shopsOf(c, session.person.id));
    if (!shops.some((s) => s.id === body.shop)) throw new AppError('NOT_FOUND');
    await endSession(deps.db, req, res, now);
    const token = await deps.db.inShop(body.shop, (c) => beginSession(c, res, body.shop, session.person.id, now, deps.secureCookie));
    req.headers.cookie = `stennet_session=${body.shop}.${token}`;
    res.json(meOf(await requireSession(deps.db, req, now), shops, deps.clockSetTo));
  });
}

/** Wrong tries are counted by name and by address; the right password forgets the name's. */
async function signIn(deps: Deps, req: Request, body: { name: string; password: string }, now: Date): Promise<{ account: string; shops: Me['shops'] }> {
  const nameKey = body.name.trim().toLowerCase();
  const keys = [`name:${nameKey}`, `address:${req.ip ?? ''}`];
  const since = new Date(now.getTime() - WINDOW_MINUTES * 60_000);
  const found = await deps.db.atDoor(async (c) => {
    const counts = await Promise.all(keys.map(async (k) => Number((await c.query('select recent_attempts($1, $2) as n', [k, since])).rows[0].n)));
    if ((counts[0] ?? 0) >= TRIES_PER_NAME || (counts[1] ?? 0) >= TRIES_PER_ADDRESS) throw new AppError('SIGN_IN_LIMITED', { minutes: WINDOW_MINUTES });
    return (await c.query<{ id: string; password_hash: string }>('select id, password_hash from find_account($1)', [nameKey])).rows[0];
  });
  const fits = await passwordFits(found?.password_hash, body.password);
  return deps.db
    .atDoor(async (c) => {
      if (fits && found) {
        await c.query('select forget_attempts($1)', [keys[0]]);
        return { account: found.id, shops: await shopsOf(c, found.id) };
      }
      for (const key of keys) await c.query('select note_attempt($1, $2)', [key, now]);
      return undefined;
    })
    .then((result) => {
      if (!result) throw new AppError('SIGN_IN_WRONG');
      return result;
    });
}

export async function shopsOf(client: Client, account: string): Promise<Me['shops']> {
  const { rows } = await client.query<{ shop: string; shop_name: string; role: Role }>('select shop, shop_name, role from shops_of($1)', [account]);
  return rows.map((r) => ({ id: r.shop, name: r.shop_name, role: r.role }));
}
