import { isLater, nextRevision } from '../draft';
import type { Sheet } from '../procedure';
import { canonicalJson } from '../record';

/** What the shop has of one sheet. */
export interface Known {
  revisions: readonly Sheet[];
  draft: Sheet | null;
}

/** What is done with a sheet that is brought in. Nothing that stands is ever changed by it. */
export type Arrival =
  | { what: 'same' }
  | { what: 'new' | 'changed'; keep: 'draft' | 'superseded'; sheet: Sheet }
  | { what: 'refused'; why: 'draftOpen' | 'otherContent' | 'twice' };

/** Whether two sheets say the same; whether they stand is another question. */
export function saysTheSame(a: Sheet, b: Sheet): boolean {
  const said = ({ status: _status, supersededBy: _by, ...sheet }: Sheet): string =>
    canonicalJson(sheet);
  return said(a) === said(b);
}

/**
 * New, same, changed or refused. What would stand comes in as a draft, to be approved here; a
 * superseded revision that is missing here comes in as history; a revision that is here with other
 * content becomes a draft of the next one.
 */
export function classify(incoming: Sheet, known: Known): Arrival {
  const { revisions, draft } = known;
  const sameLetter = revisions.find((r) => r.revision === incoming.revision);
  if (sameLetter && saysTheSame(sameLetter, incoming)) return { what: 'same' };
  if (draft && saysTheSame(draft, { ...incoming, revision: draft.revision }))
    return { what: 'same' };
  const what = revisions.length === 0 && !draft ? 'new' : 'changed';
  if (incoming.status === 'superseded') {
    return sameLetter
      ? { what: 'refused', why: 'otherContent' }
      : { what, keep: 'superseded', sheet: incoming };
  }
  if (draft) return { what: 'refused', why: 'draftOpen' };
  const latest = revisions.reduce<string | null>(
    (last, r) => (last === null || isLater(r.revision, last) ? r.revision : last),
    null,
  );
  const revision =
    latest !== null && !isLater(incoming.revision, latest)
      ? nextRevision(latest)
      : incoming.revision;
  return { what, keep: 'draft', sheet: { ...incoming, revision, status: 'draft' } };
}
