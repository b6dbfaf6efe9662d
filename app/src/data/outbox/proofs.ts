import type { Me } from '@stennet/core/contract';
import type { RunEvent } from '@stennet/core/run';
import { isUnseen } from '../bay';
import { queryClient } from '../queries';
import { work } from '../work';
import { queryKeys } from '../queryKeys';

/** Of an entry: in which session it was confirmed, and that it was. */
export interface Proof {
  session: string;
  proof: string;
}

/**
 * Made while the person is on and the server has agreed; by the time it goes out another one may be
 * on.
 */
export async function proofOf(event: RunEvent): Promise<Proof | undefined> {
  const me = queryClient.getQueryData<Me | null>(queryKeys.me);
  if (!me?.entry || me.person.id !== event.person || isUnseen(event.person)) return undefined;
  const parts = await work().catch(() => null);
  return parts
    ? { session: me.entry.session, proof: parts.entryProof(me.entry.key, event) }
    : undefined;
}
