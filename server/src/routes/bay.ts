import { randomUUID, timingSafeEqual } from 'node:crypto';
import type { Express } from 'express';
import type { BodyOf } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import { nameKey, nameLook, type RouteName } from '@stennet/core/contract';
import { onlyRow } from '../db/database';
import { deleteEnrolment, findEnrolled, saveEnrolment } from '../db/sessions';
import { makeFirstShop } from '../db/shops';
import { claimName, nameCell } from '../http/cells';
import { assertGoodPassword, hashPassword } from '../http/passwords';
import { assertPin } from '../http/pins';
import { parseBody, register, serve, type Deps } from '../http/serve';
import { noteAtDoor } from '../http/securityLog';
import { beginSession, endSession, hashOf, meOf } from '../http/session';
import { coming, shopsOf } from './session';
import { needsFirstShop } from '../db/door';

type Body<R extends RouteName> = NonNullable<BodyOf<R>>;

/** The first visit, and a phone that several people share. */
export function bayRoutes(app: Express, deps: Deps): void {
  setupRoutes(app, deps);
  enrolRoutes(app, deps);
}

function setupRoutes(app: Express, deps: Deps): void {
  register(app, 'setup', async (_req, res) => {
    res.json({ needed: deps.setupCode !== null && (await isFirstVisit(deps)) });
  });

  register(app, 'makeShop', async (req, res) => {
    const { code, shop, name, password } = parseBody('makeShop', req) as Body<'makeShop'>;
    if (!(await isFirstVisit(deps))) throw new AppError('SETUP_DONE');
    if (deps.setupCode === null || !isSame(code, deps.setupCode)) throw new AppError('SETUP_CODE');
    assertGoodPassword(password, [name, shop.name]);
    const [shopId, person] = [randomUUID(), randomUUID()];
    const hash = await hashPassword(password);
    await claimName(deps.cells, name);
    const made = await deps.db.atDoor(
      async (c) =>
        (
          await makeFirstShop(
            c,
            shopId,
            shop.name,
            shop.locale,
            shop.timeZone,
            shop.paper,
            shop.torqueUnit,
            person,
            name,
            nameKey(name),
            nameLook(name),
            hash,
          )
        )[0]?.made,
    );
    if (!made) throw new AppError('SETUP_DONE');
    if (deps.cells) nameCell(deps.cells, res);
    const session = await beginSession(deps.db, coming(deps, req, res), shopId, person);
    res.json(meOf(session, await deps.db.atDoor((c) => shopsOf(c, person)), deps.clockSetTo));
  });
}

function enrolRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'enrol', async ({ req, client, session, body, deps: { now } }) => {
    await deleteEnrolment(client, body.device, session.person.id);
    await saveEnrolment(
      client,
      session.shop.id,
      body.device,
      session.person.id,
      hashOf(body.secret),
      now(),
    );
    await noteAtDoor(client, req, {
      shop: session.shop.id,
      now: now(),
      kind: 'enrolled',
      person: session.person.id,
    });
    return { ok: true };
  });

  register(app, 'switchPerson', async (req, res) => {
    const { shop, device, person, secret, pin } = parseBody(
      'switchPerson',
      req,
    ) as Body<'switchPerson'>;
    const row = await deps.db.inShop(shop, async (c) =>
      onlyRow(await findEnrolled(c, device, person), new AppError('NOT_ENROLLED')),
    );
    if (!timingSafeEqual(row.secret_hash, hashOf(secret))) throw new AppError('NOT_ENROLLED');
    await assertPin(
      deps,
      req,
      { shop, person, name: row.name, hash: row.hash, from: device, by: null },
      pin,
    );
    // The person who was on before is off: what they confirmed goes out by the proof that was made
    // while they were on.
    await endSession(deps.db, req, res, deps.now());
    await deps.db.inShop(shop, (c) =>
      noteAtDoor(c, req, { shop, now: deps.now(), kind: 'switchedIn', person }),
    );
    const session = await beginSession(deps.db, coming(deps, req, res), shop, person);
    res.json(meOf(session, await deps.db.atDoor((c) => shopsOf(c, person)), deps.clockSetTo));
  });
}

const isFirstVisit = (deps: Deps): Promise<boolean> =>
  deps.db.atDoor(async (c) => (await needsFirstShop(c))[0]?.given === true);

const isSame = (a: string, b: string): boolean => timingSafeEqual(hashOf(a.trim()), hashOf(b));
