import type { SheetBrief } from '../contract/run';
import { lineOf, printLine, type Sheet } from '../procedure';

/** A sheet as lists show it. */
export function sheetBrief(sheet: Sheet): SheetBrief {
  const { applies, source } = sheet;
  return {
    sheet: sheet.id,
    revision: sheet.revision,
    title: sheet.title,
    kind: sheet.kind,
    status: sheet.status,
    maker: applies.maker,
    model: applies.model,
    engine: applies.engine,
    hardware: applies.hardware.origin === 'kit' ? (applies.hardware.maker ?? 'kit') : null,
    source: `${source.publisher}, ${source.title}, ${source.page}`,
    line: printLine(lineOf(sheet).line),
    oneTimeUse: sheet.groups.some((g) => g.reuse === 'replace'),
    compounds: [...new Set(sheet.groups.flatMap((g) => g.compounds.map((c) => c.kind)))],
    conflicts: sheet.conflicts.length,
    stages: sheet.stages,
  };
}
