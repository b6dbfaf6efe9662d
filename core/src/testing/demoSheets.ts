import fs from 'node:fs';
import path from 'node:path';
import { readSheet, type Sheet } from '../procedure';

const folder = path.resolve(__dirname, '../../../demo/sheets');

/** The shipped demo sheets, read as any other file. */
export const demoSheets: readonly Sheet[] = fs
  .readdirSync(folder)
  .sort()
  .map((file) => readSheet(JSON.parse(fs.readFileSync(path.join(folder, file), 'utf8'))));

export function demoSheet(id: string, revision?: string): Sheet {
  const found =
    demoSheets.filter(
      (s) => s.id === id && (revision ? s.revision === revision : s.status !== 'superseded'),
    )[0] ?? demoSheets.find((s) => s.id === id);
  if (!found) throw new Error(`no demo sheet ${id}`);
  return found;
}

export const headSheet = demoSheet('brenna-2-0-head');
export const intakeSheet = demoSheet('qn47-intake');
