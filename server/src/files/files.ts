/**
 * Where big things lie that never change: photos and torque-angle curves under the hash of what is
 * in them, and records that were put away. Their rows stay in the database.
 */
export interface Files {
  /** On a disk, or in the other store, before it returns. Sent again, nothing changes. */
  put: (shop: string, name: string, bytes: Buffer) => Promise<void>;
  /** null: there is none. */
  get: (shop: string, name: string) => Promise<Buffer | null>;
}

/** One shop's part of it. */
export interface Shelf {
  put: (name: string, bytes: Buffer) => Promise<void>;
  get: (name: string) => Promise<Buffer | null>;
}

export const photoFile = (photo: string): string => `photo/${photo}.jpg`;
export const traceFile = (trace: string): string => `trace/${trace}.json`;
export const recordFile = (run: string): string => `record/${run}.json.gz`;

/** null: everything lies in the database, and so in one copy of it. */
export const shelfOf = (files: Files | null, shop: string): Shelf | null =>
  files && {
    put: (name, bytes) => files.put(shop, name, bytes),
    get: (name) => files.get(shop, name),
  };
