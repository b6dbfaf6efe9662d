import type { Express, Request } from 'express';
import type { BodyOf } from '@stennet/core/contract/work';
import { nameKey, type Me } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import type { Client } from '../db/database';
import { isElsewhere, nameCell } from '../http/cells';
import { compareGuess, type Limit } from '../http/guesses';
import { assertGoodPassword, hashPassword, passwordFits } from '../http/passwords';
import { noteAtDoor } from '../http/securityLog';
import { parseBody, register, requirePerson, serve, type Deps } from '../http/serve';
import {
  beginSession,
  deviceOf,
  endSession,
  hashOf,
  meOf,
  nameDevice,
  type Coming,
} from '../http/session';
import { eraseWhatIsDue } from './privacy';
import { spokenCode } from '../http/spokenCode';
import {
  endEverySession,
  findAccount,
  forgetDevices,
  knowsDevice,
  listShopsOf,
  noteDevice,
  takeCode,
} from '../db/door';

/** Signing in, with a password or with a code that a lead has given, and out again. */
export function sessionRoutes(app: Express, deps: Deps): void {
  register(app, 'signIn', async (req, res) => {
    const { name, password } = parseBody('signIn', req) as BodyOf<'signIn'>;
    if (await isElsewhere(deps.cells, name, req, res)) return;
    const account = await passwordOf(deps, req, name, password);
    await enter(deps, coming(deps, req, res), account, 'signedIn');
  });

  register(app, 'useCode', async (req, res) => {
    const { name, code, password } = parseBody('useCode', req) as BodyOf<'useCode'>;
    if (await isElsewhere(deps.cells, name, req, res)) return;
    assertGoodPassword(password, [name]);
    const account = await passwordByCode(deps, req, { name, code, password });
    await enter(deps, coming(deps, req, res), account, 'codeUsed');
  });

  register(app, 'signOut', async (req, res) => {
    await endSession(deps.db, req, res, deps.now());
    res.json({ ok: true });
  });

  // A write means a hand was on it: the session look-up notes that.
  serve(app, deps, 'touch', async () => ({ ok: true }));

  serve(app, deps, 'me', async ({ client, session }) =>
    meOf(session, await shopsOf(client, session.person.id), deps.clockSetTo),
  );

  register(app, 'switchShop', async (req, res) => {
    const session = await requirePerson(deps, 'switchShop', req);
    const { shop } = parseBody('switchShop', req) as BodyOf<'switchShop'>;
    const shops = await deps.db.atDoor((c) => shopsOf(c, session.person.id));
    if (!shops.some((s) => s.id === shop)) throw new AppError('NOT_FOUND');
    await endSession(deps.db, req, res, deps.now());
    res.json(
      meOf(
        await beginSession(deps.db, coming(deps, req, res), shop, session.person.id),
        shops,
        deps.clockSetTo,
      ),
    );
  });
}

export const coming = (deps: Deps, req: Request, res: Coming['res']): Coming => ({
  req,
  res,
  now: deps.now(),
  secure: deps.secureCookie,
});

/** From here on this person is on; the browser is known as one of theirs. */
async function enter(
  deps: Deps,
  at: Coming,
  account: string,
  kind: 'signedIn' | 'codeUsed',
): Promise<void> {
  const shops = await deps.db.atDoor((c) => shopsOf(c, account));
  const [first] = shops;
  if (!first) throw new AppError('HAS_LEFT');
  const device = nameDevice(at);
  if (deps.cells) nameCell(deps.cells, at.res);
  await deps.db.atDoor((c) => noteDevice(c, device, account, at.now));
  await deps.db.inShop(first.id, async (c) => {
    await noteAtDoor(c, at.req, { shop: first.id, now: at.now, kind, person: account });
    await eraseWhatIsDue(c, at.now);
  });
  at.res.json(meOf(await beginSession(deps.db, at, first.id, account), shops, deps.clockSetTo));
}

interface Account {
  id: string;
  password_hash: string;
}

export const signInLimited = (minutes: number): AppError =>
  new AppError('SIGN_IN_LIMITED', { minutes });
export const limit = (key: string, most: number): Limit => ({
  key,
  most,
  first: '1 minute',
  longest: '15 minutes',
});

/** A device that this person has signed in on before is a place of its own; docs/adr/0003. */
async function limitsOf(
  deps: Deps,
  req: Request,
  key: string,
  account: Account | undefined,
): Promise<{ own: Limit[]; shared: Limit[] }> {
  const device = deviceOf(req);
  const isKnown =
    account !== undefined &&
    device !== null &&
    (await deps.db.atDoor(async (c) => (await knowsDevice(c, device, account.id))[0]?.given));
  if (isKnown)
    return { own: [limit(`name:${key}:device:${device.toString('hex')}`, 5)], shared: [] };
  const address = req.ip ?? '';
  return {
    own: [limit(`name:${key}:at:${address}`, 5), limit(`name:${key}`, 20)],
    shared: [limit(`address:${address}`, 100)],
  };
}

export const accountNamed = (deps: Deps, key: string): Promise<Account | undefined> =>
  deps.db.atDoor(async (c) => (await findAccount(c, key))[0]);

/** @throws AppError SIGN_IN_WRONG, SIGN_IN_LIMITED */
export async function passwordOf(
  deps: Deps,
  req: Request,
  name: string,
  password: string,
): Promise<string> {
  const key = nameKey(name);
  const account = await accountNamed(deps, key);
  const limits = await limitsOf(deps, req, key, account);
  const fits = await compareGuess(deps, limits, signInLimited, () =>
    passwordFits(account?.password_hash, password),
  );
  if (fits && account) return account.id;
  await noteWrong(deps, req, account);
  throw new AppError('SIGN_IN_WRONG');
}

/** @throws AppError CODE_WRONG, SIGN_IN_LIMITED */
async function passwordByCode(
  deps: Deps,
  req: Request,
  { name, code, password }: { name: string; code: string; password: string },
): Promise<string> {
  const key = nameKey(name);
  const account = await accountNamed(deps, key);
  const hash = await hashPassword(password);
  const taken = async (): Promise<boolean> =>
    account !== undefined &&
    (await deps.db.atDoor(
      async (c) =>
        (await takeCode(c, account.id, hashOf(spokenCode(code)), hash, deps.now()))[0]?.given,
    )) === true;
  const fits = await compareGuess(
    deps,
    await limitsOf(deps, req, key, account),
    signInLimited,
    taken,
  );
  if (fits && account) {
    // Anyone who had the old password is signed out everywhere.
    await deps.db.atDoor(async (c) => {
      await endEverySession(c, account.id, deps.now());
      await forgetDevices(c, account.id);
    });
    return account.id;
  }
  await noteWrong(deps, req, account);
  throw new AppError('CODE_WRONG');
}

/** Every shop of that person sees the wrong try. */
async function noteWrong(deps: Deps, req: Request, account: Account | undefined): Promise<void> {
  if (!account) return req.log.info({ security: 'wrongName', address: req.ip }, 'security');
  for (const { id: shop } of await deps.db.atDoor((c) => shopsOf(c, account.id)))
    await deps.db.inShop(shop, (c) =>
      noteAtDoor(c, req, {
        shop,
        now: deps.now(),
        kind: 'wrongPassword',
        person: null,
        about: account.id,
      }),
    );
}

export async function shopsOf(client: Client, account: string): Promise<Me['shops']> {
  const rows = await listShopsOf(client, account);
  return rows.map((r) => ({ id: r.shop, name: r.shop_name, role: r.role }));
}
