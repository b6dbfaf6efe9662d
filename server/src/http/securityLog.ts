import type { Request } from 'express';
import type { SecurityKind } from '@stennet/core/contract';
import { noteSecurity } from '../db/people';
import type { Client } from '../db/database';
import { browserOf } from './session';

/** How long the shop can look back. */
const KEPT_DAYS = 400;

/**
 * Who did what at the door, when and from where. In the database for the lead to see, and as a line
 * of the server's log.
 */
export async function noteAtDoor(
  client: Client,
  req: Request,
  {
    shop,
    now,
    kind,
    person,
    about,
  }: { shop: string; now: Date; kind: SecurityKind; person: string | null; about?: string | null },
): Promise<void> {
  req.log.info({ security: kind, shop, person, about, address: req.ip }, 'security');
  await noteSecurity(
    client,
    shop,
    now,
    kind,
    person,
    about ?? null,
    req.ip ?? '',
    browserOf(req),
    KEPT_DAYS,
  );
}
