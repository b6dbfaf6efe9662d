import { text } from '../language/text';
import express, { type Express } from 'express';
import { AppError } from '@stennet/core/errors';
import { onlyRow, type Client } from '../db/database';
import { findForeign, findForeignForUpdate, insertForeign } from '../db/records';
import { insertTrace } from '../db/traces';
import { namesIn, register, requirePerson, type Deps } from '../http/serve';
import type { Session } from '../http/session';
import type { ForeignHead } from '../record/readForeign';

const MOST_BYTES = '60mb';

/**
 * Records from other installations: checked from the first entry to the last signature before any
 * of them is kept, and whenever one is looked at.
 */
export function foreignRoutes(app: Express, deps: Deps): void {
  app.post('/api/foreign', express.raw({ type: () => true, limit: MOST_BYTES, inflate: false }));
  register(app, 'takeForeign', async (req, res) => {
    const session = await requirePerson(deps, 'takeForeign', req);
    if (!Buffer.isBuffer(req.body) || req.body.length === 0)
      throw new AppError('FOREIGN_UNREADABLE', { why: text.record.empty });
    const { records, traces } = await deps.foreign.read(req.body);
    for (const record of records) assertHolds(record, session, deps);
    const taken = await deps.db.inShop(session.shop.id, async (client) => {
      for (const { name, text } of traces)
        await insertTrace(client, session.shop.id, name, text, session.person.id, deps.now());
      const all = [];
      for (const r of records)
        all.push({
          run: r.run,
          number: r.number,
          joint: r.joint,
          from: r.shopName,
          kept: await keep(client, r, session, deps),
        });
      return all;
    });
    res.json({ taken: taken.length, records: taken });
  });

  // As it came: reading a long one only to write it again would keep others waiting.
  register(app, 'foreignRecord', async (req, res) => {
    const session = await requirePerson(deps, 'foreignRecord', req);
    const { body } = await deps.db.lookInShop(session.shop.id, (client) =>
      foreignIn(client, namesIn(req).run),
    );
    res.type('json').send(body);
  });
  register(app, 'checkForeign', async (req, res) => {
    const session = await requirePerson(deps, 'checkForeign', req);
    const { body, at, by } = await deps.db.lookInShop(session.shop.id, (client) =>
      foreignIn(client, namesIn(req).run),
    );
    res.json({ fault: await deps.foreign.check(body), at, by });
  });
}

/** @throws AppError FOREIGN_BROKEN, FOREIGN_POSES */
function assertHolds(
  { fault, number, joint, shop, key }: ForeignHead,
  session: Session,
  deps: Deps,
): void {
  if (fault) throw new AppError('FOREIGN_BROKEN', { number, joint, fault });
  // Who has another key is not this shop, whatever the file says.
  if (shop === session.shop.id && key !== deps.keys.of(shop).publicKey)
    throw new AppError('FOREIGN_POSES', { number, joint });
}

const foreignIn = async (
  client: Client,
  run: string | undefined,
): Promise<{ body: string; at: string; by: string }> =>
  onlyRow(await findForeign(client, run), new AppError('NOT_FOUND'));

/**
 * A later state of the same record takes the place of the earlier one; one that tells something
 * else does not.
 * @throws AppError FOREIGN_OTHER
 */
async function keep(
  client: Client,
  record: ForeignHead,
  session: Session,
  { foreign, now }: Deps,
): Promise<'new' | 'newer' | 'known'> {
  const { run, vin, number, joint, shopName, fingerprint, text } = record;
  const [row] = await findForeignForUpdate(client, run);
  const how = row ? await foreign.compare(row.body, text) : 'new';
  const other = new AppError('FOREIGN_OTHER', { number, joint });
  if (how === 'other') throw other;
  if (how !== 'known') {
    const rowCount = await insertForeign(
      client,
      session.shop.id,
      run,
      vin,
      number,
      joint,
      shopName,
      fingerprint,
      text,
      session.person.id,
      now(),
    );
    // Another key got there first.
    if (rowCount === 0) throw other;
  }
  return how;
}
