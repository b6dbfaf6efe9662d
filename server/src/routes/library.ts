import type { Express } from 'express';
import * as v from 'valibot';
import { BesideQuery, ChangesQuery } from '@stennet/core/contract';
import type { Library, DraftReply } from '@stennet/core/contract/work';
import { AppError } from '@stennet/core/errors';
import type { Sheet } from '@stennet/core/procedure';
import type { Client } from '../db/database';
import { approveDrafts, draftIn, isSoleLead, saveDraft, type Acting } from '../db/keepDrafts';
import { countStanding, listLibraryChanges, listReplaced } from '../db/sheets';
import { deleteDrafts, listDrafts } from '../db/drafts';
import { besideSheet, relatedTo, standingSheet } from '../db/standingSheets';
import { serve, type Call, type Deps } from '../http/serve';
import type { RouteName } from '@stennet/core/contract';

/** So many sheets go out in one answer to a device that catches up. */
const CHANGES = 150;

const acting = <R extends RouteName>({ session, deps }: Call<R>): Acting => ({
  shop: session.shop.id,
  person: session.person.id,
  name: session.person.name,
  now: deps.now(),
});

/**
 * What a lead keeps in order: drafts, approval, what still uses a replaced revision; and the
 * library for devices offline.
 */
export function libraryRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'library', async ({ client }): Promise<Library> => {
    const [standing] = await countStanding(client);
    return {
      standing: standing?.standing ?? 0,
      drafts: await listDrafts(client),
      replaced: await listReplaced(client),
      soleLead: await isSoleLead(client),
    };
  });
  serve(app, deps, 'draft', async ({ client, params }) => draftPage(client, params.sheet ?? ''));
  serve(app, deps, 'sheetsBeside', async ({ client, params, query }) => {
    const asked = v.safeParse(BesideQuery, query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'search' });
    const { maker = '', engine = '', threads = '' } = asked.output;
    const of = { maker, engine, threads: threads.split('|') };
    return { sheets: await besideSheet(client, params.sheet ?? '', of) };
  });
  serve(app, deps, 'saveDraft', async (call) => {
    const { body, params, client } = call;
    if (body.draft.id !== params.sheet || body.draft.status !== 'draft')
      throw new AppError('BAD_REQUEST', { where: 'draft.id' });
    return {
      version: await saveDraft(client, acting(call), body.draft, body.version, body.basedOn),
    };
  });
  serve(app, deps, 'discardDraft', async ({ client, params, body }) => {
    const row = await draftIn(client, params.sheet ?? '');
    if (row.version !== body.version)
      throw new AppError('DRAFT_CHANGED', { by: row.editor_name, at: row.edited_at.toISOString() });
    await deleteDrafts(client, [row.sheet]);
    return { ok: true };
  });
  serve(app, deps, 'approveDrafts', async (call) => ({
    approved: await approveDrafts(call.client, acting(call), call.body.drafts),
  }));
  serve(app, deps, 'libraryChanges', async ({ client, query }) => {
    const asked = v.safeParse(ChangesQuery, query);
    if (!asked.success) throw new AppError('BAD_REQUEST', { where: 'after' });
    return changesAfter(client, asked.output.after);
  });
}

async function draftPage(client: Client, sheet: string): Promise<DraftReply> {
  const row = await draftIn(client, sheet);
  const draft = JSON.parse(row.body) as Sheet;
  return {
    draft,
    version: row.version,
    editor: { id: row.editor, name: row.editor_name },
    editedAt: row.edited_at.toISOString(),
    basedOn: row.based_on,
    imported: row.imported,
    related: await relatedTo(client, draft),
    soleLead: await isSoleLead(client),
  };
}

async function changesAfter(
  client: Client,
  after: string | undefined,
): Promise<{ sheets: Sheet[]; after: string | null; more: boolean }> {
  const [change = '-1', sheet = '', revision = ''] = after?.split(':') ?? [];
  const rows = await listLibraryChanges(client, change, sheet, revision, CHANGES);
  const last = rows.at(-1);
  return {
    sheets: rows.map(standingSheet),
    after: last ? `${last.change}:${last.sheet}:${last.revision}` : (after ?? null),
    more: rows.length === CHANGES,
  };
}
