import { stageHead } from '@stennet/core/procedure';
import type { Formatter } from '@stennet/core/quantity';
import {
  cellText,
  fastenerLabel,
  type RecordedFastener,
  type RunRecord,
} from '@stennet/core/record';
import { rowBlock, textBlock, type Block } from './column';
import { text } from './text';

/** So many stages stand beside each other; a longer procedure goes on in another table below. */
const ACROSS = 8;
const FIRST = 0.08;

/**
 * What is on each fastener after each stage, in rows that do not break; the head stands on each
 * page.
 */
export function fillsOf(record: RunRecord, format: Formatter): Block[] {
  const tables: Block[] = [];
  for (let from = 0; from < record.stages.length; from += ACROSS) {
    const stages = record.stages.slice(from, from + ACROSS);
    const share = (1 - FIRST) / stages.length;
    const row = (cells: readonly string[], bold: boolean): Block =>
      rowBlock(
        cells.map((cell, i) => ({
          share: i === 0 ? FIRST : share,
          block: textBlock(cell, { scale: 0.85, ...(bold ? { face: 'bold' as const } : {}) }),
        })),
        0.4,
      );
    const head: Block = {
      ...row([text.place, ...stages.map((s) => stageHead(s, format))], true),
      leads: true,
    };
    const cells = (f: RecordedFastener): string[] => [
      `${fastenerLabel(f)}${f.replaced ? ` ${text.oldOne}` : ''}`,
      ...stages.map((s) => cellText(record, f, s, format)),
    ];
    tables.push(
      head,
      ...record.fasteners.map((f, i): Block => ({
        ...row(cells(f), false),
        ...(i > 0 ? { under: head } : {}),
      })),
    );
  }
  return tables;
}
