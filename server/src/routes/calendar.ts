import { text } from '../language/text';
import { createHash, randomBytes } from 'node:crypto';
import type { Express } from 'express';
import type { EventAttributes } from 'ics';
import { AppError } from '@stennet/core/errors';
import type { Client } from '../db/database';
import { deleteFeed, saveFeed } from '../db/followUps';
import { namesIn, register, requirePerson, serve, type Deps } from '../http/serve';
import { dueIn } from './followUps';
import { findFeedOwner } from '../db/door';
import { findOwnShop } from '../db/shops';

/**
 * What is open, as a calendar (RFC 5545): once as a file, or at a private address that is kept as a
 * hash only.
 */
export function calendarRoutes(app: Express, deps: Deps): void {
  register(app, 'calendar', async (req, res) => {
    const session = await requirePerson(deps, 'calendar', req);
    const text = await deps.db.readInShop(session.shop.id, (client) =>
      calendarOf(client, session.shop.name),
    );
    res
      .set('Content-Type', 'text/calendar; charset=utf-8')
      .set('Content-Disposition', 'attachment; filename="follow-ups.ics"')
      .send(text);
  });

  serve(app, deps, 'makeFeed', async ({ client, session, deps: { now } }) => {
    const token = randomBytes(32).toString('base64url');
    // A new address ends the one before.
    await deleteFeed(client, session.person.id);
    await saveFeed(client, session.shop.id, session.person.id, hashOf(token), now());
    const cell = deps.cells ? `?cell=${deps.cells.own}` : '';
    return { path: `/api/feed/${token}.ics${cell}` };
  });

  serve(app, deps, 'dropFeed', async ({ client, session }) => {
    await deleteFeed(client, session.person.id);
    return { ok: true };
  });

  register(app, 'feed', async (req, res) => {
    const token = (namesIn(req).token ?? '').replace(/\.ics$/, '');
    const [feed] = await deps.db.atDoor((c) => findFeedOwner(c, hashOf(token)));
    if (!feed) throw new AppError('NOT_FOUND');
    const text = await deps.db.lookInShop(feed.shop, async (client) => {
      const [shop] = await findOwnShop(client);
      return calendarOf(client, shop?.name ?? '');
    });
    res.set('Content-Type', 'text/calendar; charset=utf-8').send(text);
  });
}

const hashOf = (token: string): Buffer => createHash('sha256').update(token).digest();

const EMPTY = [
  'BEGIN:VCALENDAR',
  'VERSION:2.0',
  'PRODID:-//Stennet//follow-ups//EN',
  'METHOD:PUBLISH',
  'END:VCALENDAR',
  '',
].join('\r\n');

async function calendarOf(client: Client, shop: string): Promise<string> {
  const due = await dueIn(client, 'open', null);
  if (due.length === 0) return EMPTY;
  const events = due.map((f): EventAttributes => {
    const [year = 0, month = 1, day = 1] = f.dueOn.split('-').map(Number);
    return {
      uid: `${f.id}@stennet`,
      productId: '-//Stennet//follow-ups//EN',
      calName: text.calendar.name({ shop }),
      title: text.calendar.event({ plate: f.vehicle.plate, number: f.number, what: f.text }),
      description: `${f.customer} · ${f.vehicle.maker} ${f.vehicle.model} · ${f.jointName}`,
      start: [year, month, day],
      duration: { days: 1 },
      sequence: f.version,
    };
  });
  const { createEvents } = await import('ics');
  const { error, value } = createEvents(events);
  if (error || !value) throw error ?? new Error('no calendar was made');
  return value;
}
