import { createContext, useContext, useDeferredValue, useMemo } from 'react';
import { checkDraft, type DraftFinding } from '@stennet/core/draft';
import type { Sheet } from '@stennet/core/procedure';
import { useBeside, type Editing } from '@/data/drafts';

/** A draft under the hand: what it says, what the checks say of it, and how it is changed. */
export interface Editor {
  draft: Sheet;
  findings: readonly DraftFinding[];
  /** key: changes of one field one after the other are one step back. */
  change: (by: (draft: Sheet) => Sheet, key?: string) => void;
  /** The first thing that is wrong at a place or inside it. */
  problem: (place: string, exactly?: boolean) => string | undefined;
}

export const EditorContext = createContext<Editor | null>(null);

export function useEditor(): Editor {
  const editor = useContext(EditorContext);
  if (!editor) throw new Error('this part belongs on the screen of a draft');
  return editor;
}

/** Those of the library that are not among the related ones already. */
const unlike = (beside: readonly Sheet[], related: readonly Sheet[]): readonly Sheet[] =>
  beside.filter((b) => !related.some((r) => r.id === b.id));

export function useEditorOf({ keeper, state }: Editing): Editor {
  const { draft, related } = state.kept;
  // The checks follow the hand, they do not hold it up.
  const checked = useDeferredValue(draft);
  const beside = useBeside(draft);
  const findings = useMemo(
    () => checkDraft(checked, [...related, ...unlike(beside, related)]),
    [checked, related, beside],
  );
  return useMemo(
    () => ({
      draft,
      findings,
      change: (by, key) => keeper.change(by(keeper.state().kept.draft), key ?? null),
      problem: (place, exactly = false) =>
        findings.find(
          (f) =>
            f.level !== 'note' &&
            (f.place === place || (!exactly && f.place.startsWith(`${place}.`))),
        )?.message,
    }),
    [draft, findings, keeper],
  );
}
