import { nearForms, sheetBrief, sheetWords } from '@stennet/core/find';
import type { Sheet } from '@stennet/core/procedure';
import { canonicalJson, sha256Hex } from '@stennet/core/record';
import type pg from 'pg';
import {
  countWords,
  insertSheetRevision,
  insertSheetWords,
  insertWordForms,
  nextChange,
  supersedeSheet,
} from './sheets';

/** Who wrote a revision last, and who let it stand. */
export interface Approval {
  editor: string;
  approver: string | null;
  at: Date | null;
}

/**
 * One revision into the library, with the words it is found by; what stood before it no longer
 * does. A revision that is there already is left as it is.
 * @returns whether it is new
 */
export async function keepSheet(
  client: pg.ClientBase,
  shop: string,
  sheet: Sheet,
  approval: Approval | null = null,
): Promise<boolean> {
  const body = canonicalJson(sheet);
  const change = await takeChange(client);
  const rowCount = await insertSheetRevision(
    client,
    shop,
    sheet.id,
    sheet.revision,
    sheet.title,
    body,
    sha256Hex(body),
    sheet.status,
    sheet.applies.maker,
    sheet.applies.engine,
    sheet.kind,
    JSON.stringify(sheetBrief(sheet)),
    sheet.supersededBy ?? null,
    approval?.editor ?? null,
    approval?.approver ?? null,
    approval?.at ?? null,
    change,
  );
  if (rowCount === 0) return false;
  if (sheet.status === 'approved') await supersedeSheet(client, sheet.id, sheet.revision, change);
  await keepWords(client, shop, sheet);
  return true;
}

async function takeChange(client: pg.ClientBase): Promise<string> {
  const rows = await nextChange(client);
  return rows[0]?.change ?? '0';
}

async function keepWords(client: pg.ClientBase, shop: string, sheet: Sheet): Promise<void> {
  const words = [...sheetWords(sheet)];
  const forms = words.flatMap(([word]) => nearForms(word).map((form) => [form, word] as const));
  await insertSheetWords(
    client,
    shop,
    sheet.id,
    sheet.revision,
    words.map(([word]) => word),
    words.map(([, weight]) => weight),
  );
  await countWords(
    client,
    shop,
    words.map(([word]) => word),
  );
  await insertWordForms(
    client,
    shop,
    forms.map(([form]) => form),
    forms.map(([, word]) => word),
  );
}
