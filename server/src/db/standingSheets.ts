import { besideOf, type Beside } from '@stennet/core/draft';
import type { Sheet } from '@stennet/core/procedure';
import type { Client } from './database';
import { listBesideSheets, listRelatedSheets } from './sheets';

/** A revision as it is kept: its document, and whether it stands now. */
export interface SheetRow {
  body: string;
  status: Sheet['status'];
  superseded_by: string | null;
}

/** The document with where it stands now. Its hash is that of the body, which never changes. */
export function standingSheet(row: SheetRow): Sheet {
  const { supersededBy: _was, ...sheet } = JSON.parse(row.body) as Sheet;
  return {
    ...sheet,
    status: row.status,
    ...(row.superseded_by ? { supersededBy: row.superseded_by } : {}),
  };
}

/** Siblings, conflicting sheets, what must come first, and the other revisions of a sheet. */
export async function relatedTo(client: Client, sheet: Sheet): Promise<Sheet[]> {
  const named = [
    ...sheet.tellApart.flatMap((t) => t.answers.map((a) => a.sheet)),
    ...sheet.conflicts.flatMap((c) => c.sheet ?? []),
    ...sheet.requires,
  ];
  const others = [...new Set(named)].filter((s) => s !== sheet.id);
  return (await listRelatedSheets(client, others, sheet.id, sheet.revision)).map(standingSheet);
}

/** Sheets of the same engine, the same maker, the same threads and classes. */
export async function besideSheet(client: Client, id: string, of: Beside): Promise<Sheet[]> {
  const rows = await listBesideSheets(client, id, of.maker, of.engine, of.threads);
  return rows.map(standingSheet);
}

/** All that a draft is compared with before it may stand. */
export async function comparedWith(client: Client, draft: Sheet): Promise<Sheet[]> {
  const near = await relatedTo(client, draft);
  const beside = await besideSheet(client, draft.id, besideOf(draft));
  return [...near, ...beside.filter((b) => !near.some((n) => n.id === b.id))];
}
