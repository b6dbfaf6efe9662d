import type { Express } from 'express';
import { AppError } from '@stennet/core/errors';
import { setupFor, type PracticeLog } from '@stennet/core/practice';
import type { Client } from '../db/database';
import {
  deletePracticeRule,
  findPractice,
  insertPractice,
  insertPracticeRule,
  listPractice,
  listPracticeRules,
} from '../db/practice';
import { findSheetRevision } from '../db/sheets';
import { serve, type Call, type Deps } from '../http/serve';
import type { Sheet } from '@stennet/core/procedure';

/** Practice on a simulated joint: who has passed what, and what is asked before a real one. */
export function practiceRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'practice', async ({ client, session }) => ({
    // Everybody sees their own; the lead sees all.
    attempts: await listPractice(client, session.role === 'lead' ? null : session.person.id),
    rules: await listPracticeRules(client),
  }));
  serve(app, deps, 'keepPractice', keepPractice);
  serve(app, deps, 'practiceLog', async ({ client, session, params }) => {
    const [found] = await findPractice(client, params.attempt);
    if (!found || (found.person !== session.person.id && session.role !== 'lead'))
      throw new AppError('NOT_FOUND');
    return { person: found.person, log: JSON.parse(found.log) as PracticeLog };
  });
  serve(app, deps, 'setPracticeRule', async ({ client, session, body, deps: { now } }) => {
    const { role, kind, exercise, on } = body;
    if (on)
      await insertPracticeRule(
        client,
        session.shop.id,
        role,
        kind,
        exercise,
        session.person.id,
        now(),
      );
    else await deletePracticeRule(client, role, kind, exercise);
    return { ok: true };
  });
}

/** Played again here, from its strokes: whether it was passed is the server's own verdict. */
async function keepPractice({ client, session, params, body, deps }: Call<'keepPractice'>) {
  const { shop, person } = session;
  const log = body as PracticeLog;
  const isOurs = log.entries.every(
    (e) =>
      !('event' in e) ||
      (e.event.run === log.id && e.event.shop === shop.id && e.event.person === person.id),
  );
  if (log.id !== params.attempt || !isOurs) throw new AppError('PRACTICE_BROKEN');
  const sheet = log.sheet ? await sheetOf(client, log.sheet) : null;
  const result = await deps.foreign.practice(log, setupFor(log, sheet), {
    shop: shop.id,
    run: log.id,
    person: person.id,
  });
  await insertPractice(
    client,
    shop.id,
    log.id,
    person.id,
    log.exercise,
    log.sheet?.id ?? null,
    log.sheet?.revision ?? null,
    result.passed,
    result.better,
    deps.now(),
    JSON.stringify(log),
  );
  return { passed: result.passed, better: result.better };
}

async function sheetOf(client: Client, { id, revision }: { id: string; revision: string }) {
  const [row] = await findSheetRevision(client, id, revision);
  if (!row) throw new AppError('NOT_FOUND');
  return JSON.parse(row.body) as Sheet;
}
