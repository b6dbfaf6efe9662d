import { text } from '../language/text';
import type { Express } from 'express';
import * as v from 'valibot';
import { FollowUpsQuery } from '@stennet/core/contract';
import type { ReplyOf } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import { kmPerDay } from '@stennet/core/followUp';
import { onlyRow, type Client } from '../db/database';
import { findFeed, findFollowUp, listFollowUps, settleFollowUp } from '../db/followUps';
import { serve, type Deps } from '../http/serve';
import { expectAnew, odometersSeen } from '../followUps/keepFollowUps';

type Due = ReplyOf<'followUps'>['due'][number];

/** What is due after the work, and what became of it. */
export function followUpRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'followUps', async ({ client, query, session }) => {
    const asked = v.safeParse(FollowUpsQuery, query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'what to look for' });
    const due = await dueIn(client, asked.output.state ?? null, asked.output.order ?? null);
    return { due, hasFeed: (await findFeed(client, session.person.id)) > 0 };
  });

  serve(app, deps, 'settleFollowUp', async ({ client, params, body, session }) => {
    const id = params.followUp ?? '';
    const known = onlyRow(await findFollowUp(client, id), new AppError('NOT_FOUND'));
    if (body.state === 'declined' && !body.note?.trim()) throw new AppError('REASON_NEEDED');
    const rowCount = await settleFollowUp(
      client,
      id,
      body.version,
      body.state,
      body.note,
      body.seenKm,
      session.person.id,
      deps.now(),
    );
    // Sent again after a lost answer: it stands as it was sent.
    const isSame =
      known.version === body.version + 1 && known.state === body.state && known.note === body.note;
    if (rowCount === 0 && !isSame)
      throw new AppError('FOLLOW_UP_CHANGED', { by: known.by ?? text.someone });
    if (body.seenKm !== null) await expectAnew(client, known.vin, known.built);
    return { ok: true };
  });
}

/** The list with each vehicle's usual distance, which is calculated once for each. */
export async function dueIn(
  client: Client,
  state: string | null,
  order: string | null,
): Promise<Due[]> {
  const rows = await listFollowUps(client, state, order);
  const vinOf = ({ vehicle }: Pick<Due, 'vehicle'>): string => vehicle.vin.toUpperCase();
  const seen = await odometersSeen(client, [...new Set(rows.map(vinOf))]);
  return rows.map((r) => ({ ...r, kmPerDay: kmPerDay(r.vehicle.built, seen.get(vinOf(r)) ?? []) }));
}
