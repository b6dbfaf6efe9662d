import type { Express } from 'express';
import type { BodyOf } from '@stennet/core/contract/work';
import { saveShop } from '../db/shops';
import { noteAtDoor } from '../http/securityLog';
import { parseBody, register, requirePerson, type Deps } from '../http/serve';
import { assertAgain } from './people';

/** What a shop decides for itself. Letting go of the second signature asks who it is. */
export function shopRoutes(app: Express, deps: Deps): void {
  register(app, 'saveShop', async (req, res) => {
    const session = await requirePerson(deps, 'saveShop', req);
    const { secondSignature, timeZone, idleMinutes, retentionMonths, own } = parseBody(
      'saveShop',
      req,
    ) as BodyOf<'saveShop'>;
    if (session.shop.secondSignature && !secondSignature) await assertAgain(deps, session, own);
    await deps.db.inShop(session.shop.id, async (client) => {
      await saveShop(client, secondSignature, timeZone, idleMinutes, retentionMonths);
      await noteAtDoor(client, req, {
        shop: session.shop.id,
        now: deps.now(),
        kind: 'shopChanged',
        person: session.person.id,
      });
    });
    res.json({ ok: true });
  });
}
