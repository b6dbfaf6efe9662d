import {
  checkDraft,
  draftOf,
  findingKey,
  isApprovable,
  isLater,
  nextRevision,
  type DraftFinding,
} from '@stennet/core/draft';
import { AppError } from '@stennet/core/errors';
import type { Sheet } from '@stennet/core/procedure';
import { canonicalJson } from '@stennet/core/record';
import { deleteDrafts, findDraft, listDraftBodies, lockDrafts, upsertDraft } from './drafts';
import { onlyRow, type Client } from './database';
import { keepSheet } from './keepSheet';
import { countLeads } from './people';
import { listRevisions } from './sheets';
import { comparedWith, relatedTo, standingSheet } from './standingSheets';

/** Who acts, where and when. */
export interface Acting {
  shop: string;
  person: string;
  name: string;
  now: Date;
}

type DraftRow = Awaited<ReturnType<typeof findDraft>>[number];

export async function draftIn(client: Client, sheet: string): Promise<DraftRow> {
  return onlyRow(await findDraft(client, sheet), new AppError('NOT_FOUND'));
}

export async function isSoleLead(client: Client): Promise<boolean> {
  return (await countLeads(client))[0]?.leads === 1;
}

/** Every revision that the shop has of some sheets, as they stand now. */
export async function revisionsOf(
  client: Client,
  sheets: readonly string[],
): Promise<Map<string, Sheet[]>> {
  const found = new Map<string, Sheet[]>();
  for (const row of await listRevisions(client, sheets)) {
    found.set(row.sheet, [...(found.get(row.sheet) ?? []), standingSheet(row)]);
  }
  return found;
}

/** The drafts of some sheets. */
export async function draftsOf(
  client: Client,
  sheets: readonly string[],
): Promise<Map<string, Sheet>> {
  const rows = await listDraftBodies(client, sheets);
  return new Map(rows.map((r) => [r.sheet, JSON.parse(r.body) as Sheet]));
}

/**
 * Keeps a draft as it is now. The same again is answered the same; one that someone else changed
 * in the meantime is refused.
 * @param version what the writer last had from here; 0 for a new one
 */
export async function saveDraft(
  client: Client,
  who: Acting,
  draft: Sheet,
  version: number,
  basedOn: string | null,
  imported = false,
): Promise<number> {
  const [row] = await findDraft(client, draft.id);
  const body = canonicalJson(draft);
  if (row?.body === body) return row.version;
  if (!row && version > 0) throw new AppError('DRAFT_GONE');
  if (row && row.version !== version)
    throw new AppError('DRAFT_CHANGED', { by: row.editor_name, at: row.edited_at.toISOString() });
  if (!row && basedOn === null && !imported && (await revisionsOf(client, [draft.id])).size > 0)
    throw new AppError('SHEET_ID_TAKEN');
  // A whole library that comes in is compared with the rest of it when it is approved.
  const others = imported ? await relatedTo(client, draft) : await comparedWith(client, draft);
  const findings = checkDraft(draft, others);
  const count = (level: string): number => findings.filter((f) => f.level === level).length;
  await upsertDraft(
    client,
    who.shop,
    draft.id,
    draft.revision,
    draft.title,
    draft.applies.maker,
    draft.applies.engine,
    draft.kind,
    basedOn,
    body,
    version + 1,
    imported,
    count('error'),
    count('warning'),
    who.person,
    who.now,
  );
  return version + 1;
}

export interface Wish {
  sheet: string;
  version: number;
  /** Warnings that were read and are meant so. */
  seen: readonly string[];
}

/**
 * Drafts become revisions that stand, all or none. Each is compared with its siblings once more;
 * the last one to change it may not approve it unless the shop has only this lead.
 */
export async function approveDrafts(
  client: Client,
  who: Acting,
  wishes: readonly Wish[],
): Promise<{ sheet: string; revision: string }[]> {
  const sheets = wishes.map((w) => w.sheet);
  const rows = new Map((await lockDrafts(client, sheets)).map((r) => [r.sheet, r]));
  const revisions = await revisionsOf(client, sheets);
  const sole = await isSoleLead(client);
  const approved: { sheet: string; revision: string }[] = [];
  for (const wish of wishes) {
    const row = rows.get(wish.sheet);
    if (!row) throw new AppError('DRAFT_GONE');
    if (row.version !== wish.version)
      throw new AppError('DRAFT_CHANGED', {
        by: (await draftIn(client, wish.sheet)).editor_name,
        at: who.now.toISOString(),
      });
    const draft = JSON.parse(row.body) as Sheet;
    if (row.editor === who.person && !sole) throw new AppError('OWN_DRAFT', { title: draft.title });
    const sheet: Sheet = {
      ...draftOf(draft, freeRevision(draft, revisions.get(wish.sheet) ?? [])),
      status: 'approved',
    };
    const asked = refuseUnready(sheet, await comparedWith(client, sheet), wish.seen);
    await keepSheet(client, who.shop, withAnswers(sheet, asked, who.name, who.now), {
      editor: row.editor,
      approver: who.person,
      at: who.now,
    });
    approved.push({ sheet: sheet.id, revision: sheet.revision });
  }
  await deleteDrafts(client, sheets);
  return approved;
}

/** The draft's own letter, or the next free one where another took it in the meantime. */
function freeRevision(draft: Sheet, revisions: readonly Sheet[]): string {
  return revisions.reduce(
    (next, r) => (isLater(next, r.revision) ? next : nextRevision(r.revision)),
    draft.revision || 'A',
  );
}

/** @returns the warnings, every one of which was answered */
function refuseUnready(
  sheet: Sheet,
  related: readonly Sheet[],
  seen: readonly string[],
): DraftFinding[] {
  const findings = checkDraft(sheet, related);
  const title = sheet.title || sheet.id;
  if (!isApprovable(findings)) {
    const first = findings.find((f) => f.level === 'error');
    throw new AppError('DRAFT_NOT_READY', { title, what: `${first?.place}: ${first?.message}` });
  }
  const asked = findings.filter((f) => f.level === 'warning');
  const unanswered = asked.filter((f) => !seen.includes(findingKey(f)));
  if (unanswered.length > 0)
    throw new AppError('DRAFT_WARNINGS', { title, count: unanswered.length });
  return asked;
}

/** What was asked, and who said that the page has it so: it stands on the sheet from then on. */
const withAnswers = (sheet: Sheet, asked: readonly DraftFinding[], by: string, at: Date): Sheet =>
  asked.length === 0
    ? sheet
    : {
        ...sheet,
        answered: asked.slice(0, 40).map(({ place, message }) => ({
          place,
          question: message.slice(0, 400),
          by,
          at: at.toISOString(),
        })),
      };
