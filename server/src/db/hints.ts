import pg from 'pg';

/**
 * What changed: one run, one run by pulls alone, or something on the repair orders. A hint carries
 * no data; the receiver asks again.
 */
export type Topic = `run:${string}` | `pulls:${string}` | 'orders' | 'all';

/**
 * Word from every server on the same database. A process keeps nothing of it: who listens here is
 * told, and that is all.
 */
export interface Hints {
  subscribe: (shop: string, tell: (topic: Topic) => void) => () => void;
  close: () => Promise<void>;
}

const CHANNEL = 'stennet_hint';
const FIRST_WAIT_MS = 200;
const LONGEST_WAIT_MS = 10_000;

/**
 * Listens on a connection of its own; while that is away, and after it, everyone is told to ask
 * again.
 */
export function listenTo(connectionString: string, application = 'stennet'): Hints {
  const listeners = new Map<string, Set<(topic: Topic) => void>>();
  let client: pg.Client | undefined;
  let isClosed = false;
  let wait = FIRST_WAIT_MS;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const tellAll = (): void => {
    for (const own of listeners.values()) for (const tell of own) tell('all');
  };
  const connect = async (): Promise<void> => {
    if (isClosed) return;
    const fresh = new pg.Client({
      connectionString,
      connectionTimeoutMillis: 5000,
      application_name: application,
    });
    client = fresh;
    fresh.on('notification', ({ payload }) => {
      const [shop = '', topic] = payload?.split(' ') ?? [];
      for (const tell of listeners.get(shop) ?? []) tell((topic ?? 'all') as Topic);
    });
    fresh.on('error', () => undefined);
    fresh.on('end', again);
    try {
      await fresh.connect();
      await fresh.query(`listen ${CHANNEL}`);
      wait = FIRST_WAIT_MS;
      tellAll();
    } catch {
      again();
    }
  };
  const again = (): void => {
    client = undefined;
    clearTimeout(timer);
    if (isClosed) return;
    timer = setTimeout(() => void connect(), wait);
    timer.unref();
    wait = Math.min(wait * 2, LONGEST_WAIT_MS);
  };
  void connect();

  return {
    subscribe: (shop, tell) => {
      const own = listeners.get(shop) ?? new Set();
      listeners.set(shop, own);
      own.add(tell);
      return () => {
        own.delete(tell);
        if (own.size === 0) listeners.delete(shop);
      };
    },
    close: async () => {
      isClosed = true;
      clearTimeout(timer);
      await client?.end().catch(() => undefined);
    },
  };
}
