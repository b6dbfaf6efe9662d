import fs from 'node:fs/promises';
import path from 'node:path';
import * as v from 'valibot';
import type { ReplyOf } from '@stennet/core/contract/work';

type Made = ReplyOf<'system'>['backups'][number];

const MadeSchema: v.GenericSchema<unknown, Made> = v.object({
  at: v.pipe(v.string(), v.isoTimestamp()),
  name: v.string(),
  bytes: v.number(),
  encrypted: v.boolean(),
});
const MOST = 5;

/** Backups made on this machine, the newest first; scripts/madeBackups.mjs writes the list. */
export async function listBackups(folder: string): Promise<Made[]> {
  const text = await fs.readFile(path.join(folder, 'backups.jsonl'), 'utf8').catch(() => '');
  const made = text.split('\n').flatMap((line) => {
    const parsed = v.safeParse(MadeSchema, readLine(line));
    return parsed.success ? [parsed.output] : [];
  });
  return made.slice(-MOST).reverse();
}

/** One that was cut off in the middle is none. */
function readLine(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return null;
  }
}
