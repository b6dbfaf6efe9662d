// Searching 200,000 sheets of one shop, and of one shop among 200; each under row-level security
// and bare, by the typist of core/src/find/typos.ts. Run by bench/find.mjs.
import pg from 'pg';
import { nearForms, seeded, sheetBrief, sheetWords, typedLike, wordsOf } from '../core/src/find';
import { searchSheets } from '../server/src/db/searchSheets';
import findSheets from '../server/src/db/queries/findSheets.sql';
import findWords from '../server/src/db/queries/findWords.sql';
import type { Sheet } from '../core/src/procedure';
import { manySheets } from './manySheets';

const QUERIES = 500;
const [shops, sheets] = [Number(process.env.SHOPS), Number(process.env.SHEETS)];
const shopId = (n: number): string => `9e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

async function main(): Promise<void> {
  const admin = new pg.Client({ connectionString: process.env.ADMIN_URL });
  await admin.connect();
  await fill(admin);
  const app = new pg.Client({ connectionString: process.env.APP_URL });
  await app.connect();
  const asked = questions();
  await ask(app, asked.slice(0, 50));
  await ask(admin, asked.slice(0, 50));
  // In turn, so that a busy moment of the machine meets both.
  const guarded: number[] = [];
  const bare: number[] = [];
  let found = 0;
  for (let at = 0; at < asked.length; at += 50) {
    const piece = asked.slice(at, at + 50);
    const one = await ask(app, piece);
    guarded.push(...one.ms);
    found += one.found;
    bare.push(...(await ask(admin, piece)).ms);
  }
  console.log(
    JSON.stringify({
      shops,
      sheets,
      queries: asked.length,
      top3: found / asked.length,
      p50: at(guarded, 0.5),
      p95: at(guarded, 0.95),
      bareP50: at(bare, 0.5),
      bareP95: at(bare, 0.95),
      plan: await plan(app),
    }),
  );
  await app.end();
  await admin.end();
}

const at = (list: number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length * share)] ?? 0;

interface Question {
  text: string;
  id: string;
  shop: number;
}

function questions(): Question[] {
  const random = seeded(7);
  const every = Math.max(1, Math.floor((shops * sheets) / QUERIES));
  const list: Question[] = [];
  for (let shop = 0; shop < shops; shop += 1) {
    let n = 0;
    for (const s of manySheets(sheets, 100 + shop)) {
      if ((shop * sheets + n) % every === 0)
        list.push({ text: typedLike(tellingWords(s), random, 2), id: s.id, shop });
      n += 1;
    }
  }
  return list.slice(0, QUERIES);
}

/**
 * What a person types who looks for this one: its engine, the job, and what else the title says.
 */
function tellingWords(s: Sheet): string[] {
  const engine = s.applies.engine.toLowerCase();
  return [engine, ...wordsOf(s.title).filter((w) => w !== engine)];
}

async function ask(
  client: pg.Client,
  list: readonly Question[],
): Promise<{ ms: number[]; found: number }> {
  const ms: number[] = [];
  let found = 0;
  for (const q of list) {
    await client.query("select set_config('stennet.shop', $1, false)", [shopId(q.shop)]);
    const from = performance.now();
    const hits = await searchSheets(client, wordsOf(q.text).slice(0, 8), [null, null, null], 20);
    ms.push(performance.now() - from);
    if (hits.slice(0, 3).some((h) => h.sheet === q.id)) found += 1;
  }
  return { ms, found };
}

async function plan(client: pg.Client): Promise<string[]> {
  const forms = nearForms('flyweel');
  const rows = [
    ...(
      await client.query<{ 'QUERY PLAN': string }>(`explain ${findWords.text}`, [
        ['flyweel'],
        forms,
        forms.map(() => 1),
      ])
    ).rows,
    ...(
      await client.query<{ 'QUERY PLAN': string }>(`explain ${findSheets.text}`, [
        ['flywheel'],
        [1],
        [1],
        ['flywheel'],
        400,
        60,
        null,
        null,
        null,
      ])
    ).rows,
  ];
  return rows.map((r) => r['QUERY PLAN'].trim()).filter((l) => /Scan/.test(l));
}

/** Rows in bulk, indexes afterwards: as a library grows up, only faster. */
async function fill(admin: pg.Client): Promise<void> {
  await admin.query(
    'alter table sheet_word drop constraint sheet_word_pkey; drop index sheet_word_of_sheet; drop index sheet_word_heaviest; drop index sheet_revision_place; drop index sheet_revision_change',
  );
  for (let shop = 0; shop < shops; shop += 1) {
    await admin.query("insert into shop values ($1, $2, 'en-GB', 'Europe/Berlin', 'A4', 'N.m')", [
      shopId(shop),
      `Shop ${shop}`,
    ]);
    const counts = new Map<string, number>();
    let batch = empty();
    for (const sheet of manySheets(sheets, 100 + shop)) {
      const words = sheetWords(sheet);
      batch.revisions.push([
        sheet.id,
        sheet.title,
        sheet.applies.maker,
        sheet.applies.engine,
        sheet.kind,
        JSON.stringify(sheetBrief(sheet)),
      ]);
      for (const [word, weight] of words) {
        batch.words.push([word, sheet.id, weight]);
        counts.set(word, (counts.get(word) ?? 0) + 1);
      }
      if (batch.revisions.length >= 2000) {
        await put(admin, shopId(shop), batch);
        batch = empty();
      }
    }
    await put(admin, shopId(shop), batch);
    await putWords(admin, shopId(shop), counts);
  }
  await admin.query(`alter table sheet_word add primary key (shop, word, sheet, revision);
    create index sheet_word_of_sheet on sheet_word (shop, sheet, revision, word) include (weight);
    create index sheet_word_heaviest on sheet_word (shop, word, weight desc) include (sheet, revision);
    create index sheet_revision_place on sheet_revision (shop, maker, engine, kind)`);
  await admin.query('vacuum analyze sheet_word');
  await admin.query('vacuum analyze sheet_revision');
  await admin.query('vacuum analyze word_count');
  await admin.query('vacuum analyze word_form');
}

interface Batch {
  revisions: string[][];
  words: [string, string, number][];
}
const empty = (): Batch => ({ revisions: [], words: [] });
const col = <T>(rows: readonly (readonly T[])[], n: number): T[] => rows.map((r) => r[n] as T);

async function put(admin: pg.Client, shop: string, { revisions, words }: Batch): Promise<void> {
  if (revisions.length === 0) return;
  await admin.query(
    `insert into sheet_revision (shop, sheet, revision, title, body, hash, status, maker, engine, kind, brief)
     select $1, s, 'A', t, '{}', '', 'approved', m, e, k, b::jsonb from unnest($2::text[], $3::text[], $4::text[], $5::text[], $6::text[], $7::text[]) x (s, t, m, e, k, b)`,
    [shop, ...[0, 1, 2, 3, 4, 5].map((n) => col(revisions, n))],
  );
  await admin.query(
    "insert into sheet_word select $1, w, s, 'A', g from unnest($2::text[], $3::text[], $4::float4[]) x (w, s, g)",
    [shop, words.map((w) => w[0]), words.map((w) => w[1]), words.map((w) => w[2])],
  );
}

async function putWords(
  admin: pg.Client,
  shop: string,
  counts: ReadonlyMap<string, number>,
): Promise<void> {
  const words = [...counts];
  for (let from = 0; from < words.length; from += 5000) {
    const piece = words.slice(from, from + 5000);
    const forms = piece.flatMap(([w]) => nearForms(w).map((f) => [f, w]));
    await admin.query(
      'insert into word_count select $1, w, n from unnest($2::text[], $3::int[]) x (w, n)',
      [shop, piece.map(([w]) => w), piece.map(([, n]) => n)],
    );
    await admin.query(
      'insert into word_form select $1, f, w from unnest($2::text[], $3::text[]) x (f, w)',
      [shop, col(forms, 0), col(forms, 1)],
    );
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
