import { AppError } from '../errors';
import { PROCEDURE, TAKE_APART } from './parts';
import type { Sheet } from './sheet';

const partsBySheet = new WeakMap<Sheet, Map<string, Sheet>>();

/**
 * The part of a sheet that one run leads, as a sheet of its own: the procedure, the slackening
 * before it, or what is due after. A run of the latter begins with the fasteners tight and owes
 * only its own stages.
 * @throws AppError SHEET_INVALID when the sheet has no such part
 */
export function sheetForPart(sheet: Sheet, part: string): Sheet {
  if (part === PROCEDURE) return sheet;
  const parts = partsBySheet.get(sheet) ?? new Map<string, Sheet>();
  partsBySheet.set(sheet, parts);
  const known = parts.get(part) ?? cut(sheet, part);
  parts.set(part, known);
  return known;
}

function cut(sheet: Sheet, part: string): Sheet {
  const stages =
    part === TAKE_APART ? sheet.takeApart : (sheet.after.find((a) => a.id === part)?.stages ?? []);
  const [first, ...rest] = stages;
  if (!first) throw new AppError('SHEET_INVALID', { where: `part ${part}` });
  const order = first.order ?? sheet.stages.findLast((s) => s.order)?.order;
  const ids = new Set(stages.map((s) => s.id));
  const steps = sheet.steps.filter(
    (s) => s.due.when === 'atFailure' || ('stage' in s.due && ids.has(s.due.stage)),
  );
  return { ...sheet, stages: [order ? { ...first, order } : first, ...rest], steps, clocks: [] };
}
