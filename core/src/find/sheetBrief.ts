import * as v from 'valibot';
import { lineOf, printLine, StageSchema, type Sheet } from '../procedure';

/** A sheet as lists show it: enough for its ribbon and its line. */
export const SheetBriefSchema = v.object({
  sheet: v.string(),
  revision: v.string(),
  title: v.string(),
  kind: v.string(),
  status: v.picklist(['draft', 'approved', 'superseded']),
  maker: v.string(),
  model: v.string(),
  engine: v.string(),
  /** Whose kit, where it is not the maker's own hardware. */
  hardware: v.nullable(v.string()),
  source: v.string(),
  line: v.string(),
  oneTimeUse: v.boolean(),
  compounds: v.array(v.string()),
  conflicts: v.number(),
  stages: v.array(StageSchema),
});
export type SheetBrief = v.InferOutput<typeof SheetBriefSchema>;

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
