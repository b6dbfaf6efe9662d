import { useEffect, useRef, useState } from 'react';
import { useSignedIn } from './account';
import { database } from './database';

/**
 * What somebody is typing into a form, kept on this device until it is saved or let go: a closed tab or a crash takes nothing.
 * @param name of the form, one for each thing it may be about
 */
export function useKeptForm<T extends object>(
  name: string,
  initial: T,
): { form: T; put: (change: Partial<T>) => void; clear: () => void; isTouched: boolean; isRestored: boolean } {
  const { me } = useSignedIn();
  const key = `form ${name} of ${me.person.id} in ${me.shop.id}`;
  const [kept, setKept] = useState<T | null>(null);
  const [isRestored, setRestored] = useState(false);
  const touched = useRef(false);
  useEffect(() => {
    touched.current = false;
    void database()
      .then((db) => db.get('answers', key))
      .then((text) => {
        if (!text || touched.current) return;
        setKept(JSON.parse(text) as T);
        setRestored(true);
      })
      .catch(() => undefined);
  }, [key]);
  useEffect(() => {
    if (kept === null) return;
    void database()
      .then((db) => db.put('answers', JSON.stringify(kept), key))
      .catch(() => undefined);
  }, [key, kept]);
  return {
    form: kept ?? initial,
    isTouched: kept !== null,
    isRestored: isRestored && kept !== null,
    put: (change) => {
      touched.current = true;
      setKept((was) => ({ ...(was ?? initial), ...change }));
    },
    clear: () => {
      touched.current = true;
      setKept(null);
      void database()
        .then((db) => db.delete('answers', key))
        .catch(() => undefined);
    },
  };
}
