import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import type { Fault } from '@stennet/core/record';

/** What a run's list and the words under it come to. */
export interface Found {
  fault: Fault | null;
  /** Deviations that wait for the lead. */
  pending: number;
}

const MOST_FOUND = 5000;
const MOST_FILE_BYTES = 32_000_000;

/**
 * What was found in the records that were asked for last, and the files made of them. Kept under a
 * hash of all that it was worked out from, read from the tables each time: whatever changes there,
 * by whatever way, has another hash and is worked out again.
 */
export class CheckedRecords {
  private readonly finds = new LRUCache<string, Promise<Found>>({ max: MOST_FOUND });
  private readonly files = new LRUCache<string, Buffer>({
    maxSize: MOST_FILE_BYTES,
    sizeCalculation: (file) => file.length,
  });

  /** @param work finds what is not known yet; where it fails, it is asked again next time */
  find(from: readonly unknown[], work: () => Promise<Found>): Promise<Found> {
    const hash = hashOf(from);
    const known = this.finds.get(hash);
    if (known) return known;
    const finding = work();
    this.finds.set(hash, finding);
    finding.catch(() => this.finds.delete(hash));
    return finding;
  }

  file(from: readonly unknown[], make: () => Buffer): Buffer {
    const hash = hashOf(from);
    const known = this.files.get(hash);
    if (known) return known;
    const file = make();
    this.files.set(hash, file);
    return file;
  }
}

const hashOf = (from: readonly unknown[]): string =>
  createHash('sha256').update(JSON.stringify(from)).digest('base64');
