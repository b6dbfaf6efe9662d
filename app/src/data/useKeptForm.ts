import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { useSignedIn } from './account';
import { database, writeAtOnce } from './database';
import { onLeaving } from './leaving';

/**
 * What is being typed, by its key; null for one that was let go, absent for one that was not looked
 * for yet.
 */
const useTyped = create<{ typed: ReadonlyMap<string, object | null> }>(() => ({
  typed: new Map(),
}));
const formAt = (key: string): object | null | undefined => useTyped.getState().typed.get(key);
/** What was typed before the disk was read: what stands there is put beneath it. */
const early = new Map<string, object>();
function show(key: string, form: object | null): void {
  useTyped.setState(({ typed }) => ({ typed: new Map(typed).set(key, form) }));
}

/**
 * Outside of what is drawn, at once: a list that is sorted again in the same moment takes the form
 * down and puts it up elsewhere.
 */
function keep(key: string, form: object | null): void {
  show(key, form);
  void database()
    .then((db) =>
      writeAtOnce(db, 'answers', (answers) =>
        form ? answers.put(JSON.stringify(form), key) : answers.delete(key),
      ),
    )
    .catch(() => undefined);
}

onLeaving(() => {
  useTyped.setState({ typed: new Map() });
  early.clear();
});

/** What is kept of it on this device, brought back. @returns whether there was something */
async function bringBack(key: string): Promise<boolean> {
  early.set(key, {});
  const text = await (await database()).get('answers', key);
  const since = early.get(key);
  early.delete(key);
  // Let go in the meantime, or this person has left.
  if (!text || !since) return false;
  const stored = JSON.parse(text) as object;
  if (formAt(key) !== undefined) keep(key, { ...stored, ...since });
  else show(key, stored);
  return true;
}

/**
 * Whether someone is in the middle of one of these forms: what is shown around it stays where it
 * is.
 */
export function useIsTyping(isOpen: (key: string, form: object) => boolean): boolean {
  return useTyped(({ typed }) =>
    [...typed].some(([key, form]) => form !== null && isOpen(key, form)),
  );
}

/**
 * What someone is typing into a form, kept on this device until it is saved or let go: a closed
 * tab or a crash takes nothing.
 * @param name of the form, one for each thing it may be about
 */
export function useKeptForm<T extends object>(
  name: string,
  initial: T,
): {
  form: T;
  put: (change: Partial<T>) => void;
  clear: () => void;
  isTouched: boolean;
  isRestored: boolean;
} {
  const { me } = useSignedIn();
  const key = `form ${name} of ${me.person.id} in ${me.shop.id}`;
  const now = (): T | null => (formAt(key) as T | undefined) ?? null;
  const kept = useTyped(now);
  const [restored, setRestored] = useState(() => (now() ? key : ''));
  useEffect(() => {
    if (formAt(key) !== undefined || early.has(key)) return;
    void bringBack(key)
      .then((isThere) => isThere && setRestored(key))
      .catch(() => undefined);
  }, [key]);
  return {
    form: kept ?? initial,
    isTouched: kept !== null,
    isRestored: restored === key && kept !== null,
    put: (change) => {
      if (early.has(key)) early.set(key, { ...early.get(key), ...change });
      keep(key, { ...(now() ?? initial), ...change });
    },
    clear: () => {
      early.delete(key);
      keep(key, null);
    },
  };
}
