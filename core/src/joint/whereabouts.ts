import type { Pattern } from './pattern';

/** Where a place lies, for words: which row of how many (from the top), which in the row (from the left). */
export interface Whereabouts {
  row: number;
  rows: number;
  inRow: number;
  ofRow: number;
}

const SAME_ROW_MM = 12;

/**
 * Row and number in the row of a position, counted as the drawing lies: from the top, from the left.
 * @returns undefined for a label that the pattern does not have
 */
export function whereabouts(pattern: Pattern, label: string): Whereabouts | undefined {
  const rows: { yMm: number; labels: { label: string; xMm: number }[] }[] = [];
  for (const p of [...pattern.positions].sort((a, b) => b.yMm - a.yMm)) {
    const row = rows.find((r) => Math.abs(r.yMm - p.yMm) <= SAME_ROW_MM);
    if (row) row.labels.push(p);
    else rows.push({ yMm: p.yMm, labels: [p] });
  }
  for (const [index, row] of rows.entries()) {
    row.labels.sort((a, b) => a.xMm - b.xMm);
    const inRow = row.labels.findIndex((p) => p.label === label);
    if (inRow >= 0) return { row: index + 1, rows: rows.length, inRow: inRow + 1, ofRow: row.labels.length };
  }
  return undefined;
}
