import { randomUUID } from 'node:crypto';
import { canonicalJson } from '@stennet/core/record';
import type { EventOf, RunEvent, Statement } from '@stennet/core/run';
import type { Client } from '../db/database';
import { insertLateEvents, insertStatement, listLateIds } from '../db/runs';

interface Late {
  shop: string;
  run: string;
  role: 'lead' | 'technician';
  at: Date;
  /** A signed run takes no statement: its lead answers in a later word. */
  isSigned: boolean;
}

/**
 * What a device sends after its hold has ended: kept whole, beside the run's list, and said to
 * the device that holds it now, which answers for each pull whether it was really done. Sent again,
 * it stands once.
 */
export async function keepLate(
  client: Client,
  events: readonly RunEvent[],
  late: Late,
): Promise<void> {
  const known = new Set((await listLateIds(client, late.run)).map((r) => r.id));
  const fresh = events.filter((e) => !known.has(e.id));
  const [first] = fresh;
  if (!first) return;
  const statement = late.isSigned ? null : claimsOf(fresh, first.person, late);
  if (statement)
    await insertStatement(
      client,
      late.shop,
      statement.id,
      late.run,
      statement.person,
      canonicalJson(statement),
      late.at,
    );
  const column = <T>(of: (e: RunEvent) => T): T[] => fresh.map(of);
  await insertLateEvents(
    client,
    late.shop,
    late.run,
    column((e) => e.id),
    column((e) => e.hold),
    column((e) => e.seq),
    column((e) => e.person),
    column((e) => canonicalJson(e)),
    statement?.id ?? null,
    late.at,
  );
}

/** Only pulls can have been done twice; what else is late is only listed. */
function claimsOf(
  events: readonly RunEvent[],
  person: string,
  { role, at }: Late,
): Statement | null {
  const pulls = events.filter((e): e is EventOf<'pulled'> => e.type === 'pulled');
  if (pulls.length === 0) return null;
  const claims = pulls.map(({ id, payload: { fastener, stage, pass, reading } }) => ({
    event: id,
    fastener,
    stage,
    pass,
    ...(reading?.unit === 'deg' ? { turnedDeg: reading.value } : {}),
  }));
  return { id: randomUUID(), kind: 'claims', person, role, at: at.toISOString(), claims };
}
