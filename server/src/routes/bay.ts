import { timingSafeEqual } from 'node:crypto';
import type { Express } from 'express';
import type { BodyOf } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import type { RouteName } from '@stennet/core/contract';
import { onlyRow } from '../db/database';
import { deleteEnrolment, findEnrolled, saveEnrolment } from '../db/sessions';
import { assertPin } from '../http/pins';
import { parseBody, register, serve, type Deps } from '../http/serve';
import { noteAtDoor } from '../http/securityLog';
import { beginSession, endSession, hashOf, meOf } from '../http/session';
import { coming, shopsOf } from './session';

type Body<R extends RouteName> = NonNullable<BodyOf<R>>;

/** A phone that several people share. */
export function bayRoutes(app: Express, deps: Deps): void {
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
