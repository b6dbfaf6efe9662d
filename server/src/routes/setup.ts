import { randomUUID, timingSafeEqual } from 'node:crypto';
import type { Express, Request } from 'express';
import { nameKey, nameLook } from '@stennet/core/contract';
import type { BodyOf } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import { brokenConstraint } from '../db/database';
import { isShopCode, needsFirstShop } from '../db/door';
import { makeShop } from '../db/shops';
import { claimName, nameCell } from '../http/cells';
import { compareGuess } from '../http/guesses';
import { assertGoodPassword, hashPassword } from '../http/passwords';
import { parseBody, register, type Deps } from '../http/serve';
import { beginSession, endSession, hashOf, meOf } from '../http/session';
import { spokenCode } from '../http/spokenCode';
import { accountNamed, coming, limit, passwordOf, shopsOf, signInLimited } from './session';

type First = NonNullable<BodyOf<'makeShop'>>;

/**
 * The first shop of an installation, by the code that was printed at its start, and each shop after
 * it, by a code that whoever runs the server has made for it.
 */
export function setupRoutes(app: Express, deps: Deps): void {
  register(app, 'setup', async (_req, res) => {
    res.json({ needed: deps.setupCode !== null && (await isFirstVisit(deps)) });
  });

  register(app, 'makeShop', async (req, res) => {
    const first = parseBody('makeShop', req) as First;
    const code = await codeOf(deps, req, first.code);
    const lead = await leadOf(deps, req, first);
    await claimName(deps.cells, first.name);
    const id = randomUUID();
    await make(deps, code, id, first, lead);
    if (deps.cells) nameCell(deps.cells, res);
    // Someone who was signed in here is off.
    if (req.headers.cookie) await endSession(deps.db, req, res, deps.now());
    const session = await beginSession(deps.db, coming(deps, req, res), id, lead.id);
    const shops = await deps.db.atDoor((c) => shopsOf(c, lead.id));
    res.json(meOf(session, shops, deps.clockSetTo));
  });
}

const isFirstVisit = (deps: Deps): Promise<boolean> =>
  deps.db.atDoor(async (c) => (await needsFirstShop(c))[0]?.given === true);

const isSame = (a: string, b: string): boolean => timingSafeEqual(hashOf(a.trim()), hashOf(b));

/**
 * @returns hash of the code for one more shop; null: it is the first one
 * @throws AppError SETUP_CODE, SETUP_DONE, SIGN_IN_LIMITED
 */
async function codeOf(deps: Deps, req: Request, typed: string): Promise<Buffer | null> {
  const isOwn = deps.setupCode !== null && isSame(typed, deps.setupCode);
  if (await isFirstVisit(deps)) {
    if (!isOwn) throw new AppError('SETUP_CODE');
    return null;
  }
  if (isOwn) throw new AppError('SETUP_DONE');
  const hash = hashOf(spokenCode(typed));
  const limits = { own: [], shared: [limit(`shop code:${req.ip ?? ''}`, 20)] };
  const fits = await compareGuess(deps, limits, signInLimited, () =>
    deps.db.atDoor(async (c) => (await isShopCode(c, hash, deps.now()))[0]?.given === true),
  );
  if (!fits) throw new AppError('SETUP_CODE');
  return hash;
}

/** A new person, or one who works here already; hash null: their password stays. */
interface Lead {
  id: string;
  hash: string | null;
}

/** @throws AppError NAME_TAKEN by someone with another password; PASSWORD_FORM */
async function leadOf(deps: Deps, req: Request, { name, password, shop }: First): Promise<Lead> {
  if (await accountNamed(deps, nameKey(name))) {
    const id = await passwordOf(deps, req, name, password).catch((error: unknown) => {
      const isWrong = error instanceof AppError && error.code === 'SIGN_IN_WRONG';
      throw isWrong ? new AppError('NAME_TAKEN', { name }) : error;
    });
    return { id, hash: null };
  }
  assertGoodPassword(password, [name, shop.name]);
  return { id: randomUUID(), hash: await hashPassword(password) };
}

/** @throws AppError NAME_TAKEN by one that looks the same; SETUP_CODE, SETUP_DONE used meanwhile */
async function make(
  { db, now }: Deps,
  code: Buffer | null,
  id: string,
  { shop, name }: First,
  lead: Lead,
): Promise<void> {
  const rows = await db
    .atDoor((c) =>
      makeShop(
        c,
        code,
        now(),
        id,
        shop.name,
        shop.locale,
        shop.timeZone,
        shop.paper,
        shop.torqueUnit,
        lead.id,
        name,
        nameKey(name),
        nameLook(name),
        lead.hash,
      ),
    )
    .catch((error: unknown) => {
      throw brokenConstraint(error) === undefined ? error : new AppError('NAME_TAKEN', { name });
    });
  if (!rows[0]?.made) throw new AppError(code ? 'SETUP_CODE' : 'SETUP_DONE');
}
