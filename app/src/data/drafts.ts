import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useState, useSyncExternalStore } from 'react';
import {
  besideOf,
  copyOf,
  draftOf,
  newDraft,
  nextRevision,
  sheetIdFor,
  type NewSheet,
  isLater,
} from '@stennet/core/draft';
import type { Me } from '@stennet/core/contract';
import type { AppError } from '@stennet/core/errors';
import type { Sheet } from '@stennet/core/procedure';
import { now } from '@/platform/clock';
import { newId } from '@/platform/ids';
import { useSignedIn } from './account';
import { asAppError, call } from './api';
import { database, writeAtOnce, type KeptDraft } from './database';
import { DraftKeeper, type DraftState } from './draftKeeper';
import { queryKeys } from './queryKeys';
import { refresh } from './refresh';

type Key = [string, string, string];
/** Whose draft: a person's, in a shop. */
interface Whose {
  person: string;
  shop: string;
}
const whose = (me: Me): Whose => ({ person: me.person.id, shop: me.shop.id });
const keyOf = ({ person, shop }: Whose, sheet: string): Key => [person, shop, sheet];

async function keep(me: Whose, kept: KeptDraft): Promise<void> {
  await writeAtOnce(await database(), 'drafts', (drafts) =>
    drafts.put(kept, keyOf(me, kept.draft.id)),
  );
}
export async function forgetDraft(me: Me, sheet: string): Promise<void> {
  await (await database()).delete('drafts', keyOf(whose(me), sheet));
}

/**
 * What was changed on this device goes before what the server has; without either it is refused.
 */
async function openDraft(me: Whose, sheet: string): Promise<KeptDraft> {
  const kept = await (await database()).get('drafts', keyOf(me, sheet));
  if (kept?.dirty) return kept;
  try {
    const { draft, version, basedOn, related } = await call('draft', { sheet });
    return { draft, version, basedOn, related, dirty: false, changedAt: now().toISOString() };
  } catch (error) {
    if (kept && asAppError(error).code === 'OFFLINE') return kept;
    throw error;
  }
}

/** What else a draft is compared with; nothing as long as the server is out of reach. */
export function useBeside(draft: Sheet): readonly Sheet[] {
  const of = besideOf(useDeferredValue(draft));
  const asked = { maker: of.maker, engine: of.engine, threads: of.threads.join('|') };
  const { data } = useQuery({
    queryKey: queryKeys.beside(draft.id, asked),
    queryFn: () => call('sheetsBeside', { sheet: draft.id }, undefined, asked),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
  return data?.sheets ?? NONE;
}
const NONE: readonly Sheet[] = [];

export interface Editing {
  state: DraftState;
  keeper: DraftKeeper;
}

/** A draft opened for writing; one keeper for as long as the screen is there. */
export function useDraft(sheet: string): {
  editing: Editing | null;
  error: AppError | null;
  retry: () => void;
} {
  const { person, shop } = whose(useSignedIn().me);
  const [keeper, setKeeper] = useState<DraftKeeper | null>(null);
  const [error, setError] = useState<AppError | null>(null);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let isHere = true;
    let opened: DraftKeeper | null = null;
    openDraft({ person, shop }, sheet).then(
      (kept) => {
        if (!isHere) return;
        opened = new DraftKeeper(kept, {
          keep: (k) => keep({ person, shop }, k),
          send: (k) =>
            call(
              'saveDraft',
              { sheet },
              { version: k.version, basedOn: k.basedOn, draft: k.draft },
            ),
          later: (act, ms) => {
            const timer = setTimeout(act, ms);
            return () => clearTimeout(timer);
          },
          now: () => now().toISOString(),
        });
        setKeeper(opened);
      },
      (e: unknown) => isHere && setError(asAppError(e)),
    );
    const flush = (): void => void opened?.flush();
    document.addEventListener('visibilitychange', flush);
    return () => {
      isHere = false;
      document.removeEventListener('visibilitychange', flush);
      void opened?.flush().finally(() => opened?.stop());
      setKeeper(null);
      setError(null);
    };
  }, [person, shop, sheet, tries]);
  const state = useSyncExternalStore(keeper?.subscribe ?? nothing, () => keeper?.state() ?? null);
  return {
    editing: keeper && state ? { keeper, state } : null,
    error,
    retry: () => setTries((n) => n + 1),
  };
}
const nothing = (): (() => void) => () => undefined;

export const useLibrary = () =>
  useQuery({
    queryKey: queryKeys.library,
    queryFn: () => call('library'),
    refetchOnMount: 'always',
  });

/** Drafts of this person on this device that the server does not have as they are. */
export function useUnsentDrafts(): KeptDraft[] {
  const { me } = useSignedIn();
  const { data } = useQuery({
    queryKey: queryKeys.unsentDrafts(me.person.id, me.shop.id),
    queryFn: async () =>
      (
        await (
          await database()
        ).getAll(
          'drafts',
          IDBKeyRange.bound([me.person.id, me.shop.id], [me.person.id, me.shop.id, []]),
        )
      ).filter((k) => k.dirty),
    refetchOnMount: 'always',
    gcTime: 0,
  });
  return data ?? [];
}

/**
 * Begins a draft on this device; it goes to the server with its first save. Answers with the name
 * of its sheet.
 */
export function useBeginDraft(): {
  /** @param change what it begins with, beyond what it is for */
  begin: (
    what: Omit<NewSheet, 'id' | 'today'>,
    change?: (draft: Sheet) => Sheet,
  ) => Promise<string>;
  copy: (from: Sheet) => Promise<string>;
  revise: (from: Sheet, related: readonly Sheet[]) => Promise<string>;
} {
  const { me } = useSignedIn();
  const start = async (draft: Sheet, basedOn: string | null, related: Sheet[]): Promise<string> => {
    const has = await (await database()).get('drafts', keyOf(whose(me), draft.id));
    // Someone's unsent words are never written over by a new beginning.
    if (!has?.dirty)
      await keep(whose(me), {
        draft,
        version: 0,
        basedOn,
        related,
        dirty: true,
        changedAt: now().toISOString(),
      });
    await refresh(queryKeys.library);
    return draft.id;
  };
  const mark = (): string => newId().slice(0, 4);
  return {
    begin: (what, change = (draft) => draft) =>
      start(
        change(
          newDraft({
            ...what,
            id: sheetIdFor(what.engine, what.kind, mark()),
            today: now().toISOString().slice(0, 10),
          }),
        ),
        null,
        [],
      ),
    copy: (from) =>
      start(copyOf(from, sheetIdFor(from.applies.engine, from.kind, mark())), null, []),
    revise: (from, related) => {
      const own = [from, ...related.filter((r) => r.id === from.id)];
      const latest = own.reduce(
        (last, r) => (isLater(r.revision, last) ? r.revision : last),
        from.revision,
      );
      return start(draftOf(from, nextRevision(latest)), from.revision, [from, ...related]);
    },
  };
}

/** As the server has it. @throws AppError NOT_FOUND, OFFLINE */
export const draftOnServer = (sheet: string) => call('draft', { sheet });
/**
 * One that the server has no more is let go all the same.
 * @throws AppError DRAFT_CHANGED, OFFLINE
 */
export const discardDraft = (sheet: string, version: number): Promise<unknown> =>
  call('discardDraft', { sheet }, { version }).catch((error: unknown) => {
    if (asAppError(error).code !== 'NOT_FOUND') throw error;
  });
