import { createHash, randomUUID, timingSafeEqual } from 'node:crypto';
import type { Express } from 'express';
import type { BodyOf } from '@stennet/core/contract/run';
import { AppError } from '@stennet/core/errors';
import type { RouteName } from '@stennet/core/contract';
import { brokenConstraint, onlyRow } from '../db/database';
import addPerson from '../db/queries/addPerson.sql';
import deleteEnrolment from '../db/queries/deleteEnrolment.sql';
import findEnrolled from '../db/queries/findEnrolled.sql';
import makeFirstShop from '../db/queries/makeFirstShop.sql';
import saveEnrolment from '../db/queries/saveEnrolment.sql';
import { hashPassword } from '../http/passwords';
import { assertPin } from '../http/pins';
import { parseBody, register, serve, type Deps } from '../http/serve';
import { beginSession, meOf, requireSession } from '../http/session';
import { shopsOf } from './session';

type Body<R extends RouteName> = NonNullable<BodyOf<R>>;

/** The first visit, people of the shop, and a phone that several of them share. */
export function bayRoutes(app: Express, deps: Deps): void {
  register(app, 'setup', async (_req, res) => {
    res.json({ needed: deps.setupCode !== null && (await isFirstVisit(deps)) });
  });

  register(app, 'makeShop', async (req, res) => {
    const { code, shop, name, password } = parseBody('makeShop', req) as Body<'makeShop'>;
    if (!(await isFirstVisit(deps))) throw new AppError('SETUP_DONE');
    if (deps.setupCode === null || !isSame(code, deps.setupCode)) throw new AppError('SETUP_CODE');
    assertPassword(password, name);
    const [shopId, person] = [randomUUID(), randomUUID()];
    const hash = await hashPassword(password);
    const made = await deps.db.atDoor(
      async (c) =>
        (await c.query<{ made: boolean }>(makeFirstShop, [shopId, shop.name, shop.locale, shop.timeZone, shop.paper, shop.torqueUnit, person, name.trim(), hash])).rows[0]?.made,
    );
    if (!made) throw new AppError('SETUP_DONE');
    const now = deps.now();
    const token = await deps.db.inShop(shopId, (c) => beginSession(c, res, shopId, person, now, deps.secureCookie));
    req.headers.cookie = `stennet_session=${shopId}.${token}`;
    res.json(meOf(await requireSession(deps.db, req, now), await deps.db.atDoor((c) => shopsOf(c, person)), deps.clockSetTo));
  });

  serve(app, deps, 'addPerson', async ({ client, body }) => {
    assertPassword(body.password, body.name);
    const taken = new AppError('NAME_TAKEN', { name: body.name.trim() });
    try {
      const [row] = (await client.query<{ added: boolean }>(addPerson, [body.id, body.name.trim(), await hashPassword(body.password), body.role])).rows;
      if (!row?.added) throw taken;
    } catch (error) {
      throw brokenConstraint(error) ? taken : error;
    }
    return { ok: true };
  });

  serve(app, deps, 'enrol', async ({ client, session, body, deps: { now } }) => {
    await client.query(deleteEnrolment, [body.device, session.person.id]);
    await client.query(saveEnrolment, [session.shop.id, body.device, session.person.id, hashOf(body.secret), now()]);
    return { ok: true };
  });

  register(app, 'switchPerson', async (req, res) => {
    const { shop, device, person, secret, pin } = parseBody('switchPerson', req) as Body<'switchPerson'>;
    const row = await deps.db.inShop(shop, async (c) =>
      onlyRow((await c.query<{ name: string; secret_hash: Buffer; hash: string | null }>(findEnrolled, [device, person])).rows, new AppError('NOT_ENROLLED')),
    );
    if (!timingSafeEqual(row.secret_hash, hashOf(secret))) throw new AppError('NOT_ENROLLED');
    await assertPin(deps, { shop, person, name: row.name, hash: row.hash, device }, pin);
    const now = deps.now();
    // The session of the person before stays: what they confirmed still goes out under their own name.
    const token = await deps.db.inShop(shop, (c) => beginSession(c, res, shop, person, now, deps.secureCookie));
    req.headers.cookie = `stennet_session=${shop}.${token}`;
    res.json(meOf(await requireSession(deps.db, req, now), await deps.db.atDoor((c) => shopsOf(c, person)), deps.clockSetTo));
  });
}

const isFirstVisit = (deps: Deps): Promise<boolean> =>
  deps.db.atDoor(async (c) => (await c.query<{ needed: boolean }>('select needs_first_shop() as needed')).rows[0]?.needed === true);

const hashOf = (text: string): Buffer => createHash('sha256').update(text).digest();
const isSame = (a: string, b: string): boolean => timingSafeEqual(hashOf(a.trim()), hashOf(b));

/** Neither the person's own name nor one sign over and over, nor a row of digits. */
function assertPassword(password: string, name: string): void {
  const plain = password.toLowerCase();
  const isEasy = new Set(plain).size < 5 || /^\d+$/.test(plain) || plain.includes(name.trim().toLowerCase());
  if (isEasy) throw new AppError('PASSWORD_FORM');
}
