import type { Express } from 'express';
import type { BodyOf } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import type { Client } from '../db/database';
import { eraseCustomer, eraseDue } from '../db/orders';
import { lastOfJournal } from '../db/journal';
import { noteAtDoor } from '../http/securityLog';
import { namesIn, parseBody, register, requirePerson, serve, type Deps } from '../http/serve';
import { checkpointOf } from '../journal/journal';
import { assertAgain } from './people';

/** What a shop lets go of, and how it lets others witness what it keeps. */
export function privacyRoutes(app: Express, deps: Deps): void {
  register(app, 'eraseCustomer', async (req, res) => {
    const session = await requirePerson(deps, 'eraseCustomer', req);
    const { order = '' } = namesIn(req);
    await assertAgain(
      deps,
      session,
      (parseBody('eraseCustomer', req) as BodyOf<'eraseCustomer'>).own,
    );
    const erased = await deps.db.inShop(session.shop.id, async (client) => {
      const [row] = await eraseCustomer(client, order);
      if (!row?.erased) throw new AppError('ERASE_OPEN');
      await noteAtDoor(client, req, {
        shop: session.shop.id,
        now: deps.now(),
        kind: 'customerErased',
        person: session.person.id,
      });
      return row.erased;
    });
    res.json({ erased });
  });

  serve(app, deps, 'witness', async ({ client, session, res }) => {
    const [last] = await lastOfJournal(client);
    if (!last) throw new AppError('NOT_FOUND');
    res.set(
      'Content-Disposition',
      `attachment; filename="stennet-witness-${deps.now().toISOString().slice(0, 10)}.json"`,
    );
    return checkpointOf(session.shop.id, last);
  });
}

/** Done as people come in: a shop that no one enters needs no clock of its own. */
export const eraseWhatIsDue = (client: Client, now: Date): Promise<unknown> =>
  eraseDue(client, now);
