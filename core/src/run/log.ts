/**
 * A list that only grows at its end, seen as a value: adding gives a new list and leaves the old
 * one as it was. Lists made from one another share their items, so that the cost of one more does
 * not grow with what is there; a second branch from the same place copies.
 */
export class Log<T> implements Iterable<T> {
  readonly #items: T[];
  readonly #length: number;

  private constructor(items: T[], length: number) {
    this.#items = items;
    this.#length = length;
  }

  static of<T>(items: readonly T[] = []): Log<T> {
    return new Log([...items], items.length);
  }

  get length(): number {
    return this.#length;
  }

  /** As an array's: from the end when negative. */
  at(index: number): T | undefined {
    const i = index < 0 ? this.#length + index : index;
    return i >= 0 && i < this.#length ? this.#items[i] : undefined;
  }

  add(item: T): Log<T> {
    const items =
      this.#items.length === this.#length ? this.#items : this.#items.slice(0, this.#length);
    items.push(item);
    return new Log(items, this.#length + 1);
  }

  /** The first so many. */
  first(count: number): Log<T> {
    return new Log(this.#items, Math.min(count, this.#length));
  }

  /** Searched from the end: what is asked for is mostly young. */
  lastIndex(matches: (item: T) => boolean): number {
    for (let i = this.#length - 1; i >= 0; i -= 1) if (matches(this.#items[i] as T)) return i;
    return -1;
  }

  toArray(): T[] {
    return this.#items.slice(0, this.#length);
  }

  *[Symbol.iterator](): Iterator<T> {
    for (let i = 0; i < this.#length; i += 1) yield this.#items[i] as T;
  }
}
