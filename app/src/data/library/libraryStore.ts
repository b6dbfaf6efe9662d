import type { SheetBrief } from '@stennet/core/contract/work';
import { sheetBrief, SheetIndex, sheetWords, type Entry } from '@stennet/core/find';
import type { Sheet } from '@stennet/core/procedure';
import { database, type KeptSheet } from '../database';

/** A device keeps so many sheets of its shop; what is beyond is found online. */
export const MOST_SHEETS = 5000;

export interface Changes {
  sheets: Sheet[];
  after: string | null;
  more: boolean;
}
export interface Filter {
  maker?: string;
  engine?: string;
  kind?: string;
}
export interface Standing {
  sheets: number;
  /** There is more than the device keeps. */
  isPartial: boolean;
}

type Held = Pick<SheetBrief, 'maker' | 'engine' | 'kind' | 'title'>;

/**
 * The shop's library on this device: caught up from the server, kept, and searched by the same
 * rules as there. Runs in a worker; nothing here touches the screen's thread.
 */
export class LibraryStore {
  private readonly entries = new Map<string, Entry & Held>();
  private index: SheetIndex | null = null;
  private after: string | null = null;
  private isPartial = false;

  constructor(
    private readonly shop: string,
    private readonly ask: (after: string | null) => Promise<Changes>,
    private readonly most = MOST_SHEETS,
  ) {}

  /** What the device has from before; nothing is asked of anyone. */
  async open(): Promise<Standing> {
    const db = await database();
    this.after = (await db.get('answers', this.cursorKey)) ?? null;
    for (const kept of await db.getAll('library', this.range)) this.hold(kept);
    // A cursor without sheets is left over from someone who signed out.
    if (this.entries.size === 0) this.after = null;
    return this.standing();
  }

  /**
   * Asks for what is new until there is no more. What has come in is kept even when the rest does
   * not.
   */
  async catchUp(): Promise<Standing> {
    for (;;) {
      if (this.entries.size >= this.most) {
        this.isPartial = true;
        break;
      }
      const { sheets, after, more } = await this.ask(this.after);
      await this.keep(sheets, after);
      if (!more) break;
    }
    return this.standing();
  }

  async find(text: string, filter: Filter, count: number): Promise<SheetBrief[]> {
    const fits = (key: string): boolean => {
      const e = this.entries.get(key);
      return (
        e !== undefined &&
        (!filter.maker || e.maker === filter.maker) &&
        (!filter.engine || e.engine === filter.engine) &&
        (!filter.kind || e.kind === filter.kind)
      );
    };
    const isNarrowed = Object.values(filter).some(Boolean);
    const hits = text
      ? this.searched()
          .find(text, isNarrowed ? this.entries.size : count)
          .map((h) => h.key)
      : this.listed();
    const sheets = await Promise.all(
      hits
        .filter(fits)
        .slice(0, count)
        .map((key) => this.sheetAt(key)),
    );
    return sheets.flatMap((s) => (s ? [sheetBrief(s)] : []));
  }

  /** A sheet with what it names and its other revisions; null where the device does not have it. */
  async get(sheet: string, revision: string): Promise<{ sheet: Sheet; related: Sheet[] } | null> {
    const found = await this.sheetAt(`${sheet} ${revision}`);
    if (!found) return null;
    const named = new Set([
      ...found.tellApart.flatMap((t) => t.answers.map((a) => a.sheet)),
      ...found.conflicts.flatMap((c) => c.sheet ?? []),
      ...found.requires,
    ]);
    const keys = [...this.entries.keys()].filter((key) => {
      const [id = '', rev] = key.split(' ');
      return (
        (id === sheet && rev !== revision) ||
        (id !== sheet && named.has(id) && this.entries.get(key)?.stands)
      );
    });
    const related = await Promise.all(keys.slice(0, 12).map((key) => this.sheetAt(key)));
    return { sheet: found, related: related.flatMap((s) => s ?? []) };
  }

  places(): { maker: string; engine: string; kind: string; sheets: number }[] {
    const counts = new Map<
      string,
      { maker: string; engine: string; kind: string; sheets: number }
    >();
    for (const { maker, engine, kind, stands } of this.entries.values()) {
      if (!stands) continue;
      const key = `${maker}\u0000${engine}\u0000${kind}`;
      const place = counts.get(key) ?? { maker, engine, kind, sheets: 0 };
      place.sheets += 1;
      counts.set(key, place);
    }
    return [...counts].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, place]) => place);
  }

  private async keep(sheets: readonly Sheet[], after: string | null): Promise<void> {
    const kept = sheets.map((sheet): KeptSheet => ({ sheet, words: [...sheetWords(sheet)] }));
    const transaction = (await database()).transaction(['library', 'answers'], 'readwrite');
    for (const k of kept)
      void transaction.objectStore('library').put(k, [this.shop, k.sheet.id, k.sheet.revision]);
    if (after !== null) void transaction.objectStore('answers').put(after, this.cursorKey);
    await transaction.done;
    this.after = after;
    for (const k of kept) this.hold(k);
  }

  private hold({ sheet, words }: KeptSheet): void {
    const { maker, engine } = sheet.applies;
    this.entries.set(`${sheet.id} ${sheet.revision}`, {
      key: `${sheet.id} ${sheet.revision}`,
      words: new Map(words),
      stands: sheet.status === 'approved',
      maker,
      engine,
      kind: sheet.kind,
      title: sheet.title,
    });
    this.index = null;
  }

  private searched(): SheetIndex {
    this.index ??= new SheetIndex([...this.entries.values()]);
    return this.index;
  }

  /** Nothing typed: those that stand, by title. */
  private listed(): string[] {
    return [...this.entries.values()]
      .sort((a, b) => Number(b.stands) - Number(a.stands) || (a.title < b.title ? -1 : 1))
      .map((e) => e.key);
  }

  private async sheetAt(key: string): Promise<Sheet | undefined> {
    const [sheet = '', revision = ''] = key.split(' ');
    return (await (await database()).get('library', [this.shop, sheet, revision]))?.sheet;
  }

  standing(): Standing {
    return { sheets: this.entries.size, isPartial: this.isPartial };
  }
  private get range(): IDBKeyRange {
    return IDBKeyRange.bound([this.shop], [this.shop, []]);
  }
  private get cursorKey(): string {
    return `library of ${this.shop}`;
  }
}
