import { expose } from 'comlink';
import {
  LibraryStore,
  type Changes,
  type Filter,
  type Standing,
} from '@/data/library/libraryStore';

// Thin: the work itself is the store's and core's.
let store: LibraryStore | null = null;

const api = {
  async open(shop: string): Promise<Standing> {
    store = new LibraryStore(shop, async (after) => {
      const response = await fetch(
        `/api/library/changes${after ? `?after=${encodeURIComponent(after)}` : ''}`,
        { credentials: 'same-origin' },
      );
      if (!response.ok) throw new Error(String(response.status));
      return (await response.json()) as Changes;
    });
    return store.open();
  },
  catchUp: (): Promise<Standing> => opened().catchUp(),
  find: (text: string, filter: Filter, count: number) => opened().find(text, filter, count),
  get: (sheet: string, revision: string) => opened().get(sheet, revision),
  standing: () => opened().standing(),
  places: () => opened().places(),
};
export type LibraryWorker = typeof api;

function opened(): LibraryStore {
  if (!store) throw new Error('the library has not been opened');
  return store;
}

expose(api);
