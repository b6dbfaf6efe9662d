import { nearForms, sheetBrief, sheetWords } from '@stennet/core/find';
import type { Sheet } from '@stennet/core/procedure';
import { canonicalJson, sha256Hex } from '@stennet/core/record';
import type pg from 'pg';
import countWords from './queries/countWords.sql';
import insertSheetRevision from './queries/insertSheetRevision.sql';
import insertSheetWords from './queries/insertSheetWords.sql';
import insertWordForms from './queries/insertWordForms.sql';
import nextChange from './queries/nextChange.sql';
import supersedeSheet from './queries/supersedeSheet.sql';

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
  const { rowCount } = await client.query(insertSheetRevision, [
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
  ]);
  if (rowCount === 0) return false;
  if (sheet.status === 'approved')
    await client.query(supersedeSheet, [sheet.id, sheet.revision, change]);
  await keepWords(client, shop, sheet);
  return true;
}

async function takeChange(client: pg.ClientBase): Promise<string> {
  const { rows } = await client.query<{ change: string }>(nextChange);
  return rows[0]?.change ?? '0';
}

async function keepWords(client: pg.ClientBase, shop: string, sheet: Sheet): Promise<void> {
  const words = [...sheetWords(sheet)];
  const forms = words.flatMap(([word]) => nearForms(word).map((form) => [form, word] as const));
  await client.query(insertSheetWords, [
    shop,
    sheet.id,
    sheet.revision,
    words.map(([word]) => word),
    words.map(([, weight]) => weight),
  ]);
  await client.query(countWords, [shop, words.map(([word]) => word)]);
  await client.query(insertWordForms, [
    shop,
    forms.map(([form]) => form),
    forms.map(([, word]) => word),
  ]);
}
