import { textsOf } from '../language';
import { reading } from '../language/en/reading';
import * as v from 'valibot';
import { AppError } from '../errors';
import { checkSheet, SheetSchema, type Finding, type Sheet } from '../procedure';

const text = textsOf('reading', reading);

/** What a check found in something that may not be whole yet. */
export type DraftFinding = Omit<Finding, 'code'> & {
  code: Finding['code'] | 'empty' | 'malformed';
};

/**
 * Everything that keeps a draft from being approved, and everything worth knowing, with its place.
 * @param others sibling, earlier or conflicting sheets: only they can show a unit that is off by
 * the factor 1.36
 */
export function checkDraft(draft: Sheet, others: readonly Sheet[] = []): DraftFinding[] {
  const parsed = v.safeParse(SheetSchema, draft);
  const shape = parsed.success ? [] : parsed.issues.map(shapeFinding);
  return [...shape, ...procedural(draft, others, parsed.success)];
}

export const isApprovable = (findings: readonly DraftFinding[]): boolean =>
  findings.every((f) => f.level !== 'error');

/** A warning is answered by name; this is its name. */
export const findingKey = (f: DraftFinding): string => `${f.code} ${f.place}`;

function shapeFinding(issue: v.BaseIssue<unknown>): DraftFinding {
  const place = v.getDotPath(issue) ?? '';
  const isEmpty =
    issue.input === '' ||
    (Array.isArray(issue.input) && issue.input.length === 0) ||
    issue.input === undefined;
  if (isEmpty)
    return {
      code: 'empty',
      level: 'error',
      place,
      message: Array.isArray(issue.input) ? text.draft.atLeastOne : text.draft.empty,
    };
  return { code: 'malformed', level: 'error', place, message: sentence(issue) };
}

function sentence(issue: v.BaseIssue<unknown>): string {
  const got =
    typeof issue.input === 'string' || typeof issue.input === 'number'
      ? `“${String(issue.input).slice(0, 40)}”`
      : text.draft.this;
  if (issue.type === 'gt_value') return text.draft.more({ got, than: String(issue.requirement) });
  if (issue.type === 'min_value')
    return text.draft.least({ got, least: String(issue.requirement) });
  if (issue.type === 'max_value') return text.draft.most({ got, most: String(issue.requirement) });
  if (issue.type === 'iso_date') return text.draft.date({ got });
  return text.draft.malformed({ got });
}

/** The checks of a whole sheet; of one with holes, as far as they get. */
function procedural(draft: Sheet, others: readonly Sheet[], isWhole: boolean): DraftFinding[] {
  try {
    return checkSheet(draft, others);
  } catch (error) {
    // A hole that a check fell into is named already by what is empty there.
    if (!isWhole || error instanceof AppError)
      return error instanceof AppError && isWhole
        ? [
            {
              code: 'malformed',
              level: 'error',
              place: String(error.params.where ?? ''),
              message: error.message,
            },
          ]
        : [];
    throw error;
  }
}
