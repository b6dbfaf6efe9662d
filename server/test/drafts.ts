import { copyOf } from '@stennet/core/draft';
import type { Sheet } from '@stennet/core/procedure';
import { headSheet } from '@stennet/core/testing';
import { house } from './theShop';
import { type Session, HALDEN } from './world';

export let made = 0;
/** A copy of the ten-bolt head under a name of its own. */
export const fresh = (over: Partial<Sheet> = {}): Sheet => ({
  ...copyOf(headSheet, `written-${(made += 1)}`),
  ...over,
});
export const save = (
  who: Session,
  draft: Sheet,
  version = 0,
  basedOn: string | null = null,
): ReturnType<Session['post']> => who.post(`/api/drafts/${draft.id}`, { version, basedOn, draft });
export const approve = (
  who: Session,
  ...drafts: { sheet: string; version: number; seen?: string[] }[]
): ReturnType<Session['post']> =>
  who.post('/api/library/approve', { drafts: drafts.map((d) => ({ seen: [], ...d })) });
/** For as long as a test runs, the shop has two leads. */
export async function withSecondLead(work: (mei: Session) => Promise<void>): Promise<void> {
  await house.admin.query(
    "update membership set role = 'lead' where shop = $1 and name = 'Mei Sandoval'",
    [HALDEN],
  );
  try {
    await work(await house.signIn('Mei Sandoval'));
  } finally {
    await house.admin.query(
      "update membership set role = 'technician' where shop = $1 and name = 'Mei Sandoval'",
      [HALDEN],
    );
  }
}
