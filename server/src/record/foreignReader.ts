import { languageNow } from '@stennet/core/language';
import { text } from '../language/text';
import { Worker } from 'node:worker_threads';
import type { judgePractice, PracticeResult } from '@stennet/core/practice';
import { AppError, type ErrorCode, type ErrorParams } from '@stennet/core/errors';
import type { ChainRow, Fault, newerRecord, SignedRow, verifyRun } from '@stennet/core/record';
import type { ForeignRead } from './readForeign';

export type ForeignTask =
  | { do: 'read'; bytes: Uint8Array }
  | { do: 'compare'; known: string; fresh: string }
  | { do: 'check'; text: string }
  | { do: 'practice'; of: Parameters<typeof judgePractice> }
  | ({ do: 'verify' } & OwnRun);

/** A run of this shop, as verifyRun takes it, with what it is sealed by. */
export interface OwnRun {
  pinned: Parameters<typeof verifyRun>[0];
  chain: ChainRow[];
  signatures: SignedRow[];
  publicKey: string;
}

/**
 * Reads and checks records from elsewhere, and long ones of this shop, and plays practice again, in
 * a thread of its own each time.
 */
export interface ForeignReader {
  read: (bytes: Uint8Array) => Promise<ForeignRead>;
  compare: (known: string, fresh: string) => Promise<ReturnType<typeof newerRecord>>;
  check: (text: string) => Promise<string | null>;
  verify: (run: OwnRun) => Promise<Fault | null>;
  /** Plays a practice run again and judges it. */
  practice: (...of: Parameters<typeof judgePractice>) => Promise<PracticeResult>;
}

const LONGEST_MS = 30_000;
const MOST_MB = 700;
const AT_ONCE = 2;
const WAITING = 20;

type Answer = { done: unknown } | { refused: { code: ErrorCode; params: ErrorParams } };

/** @param program the built worker, beside the server's own */
export function foreignReader(program: string): ForeignReader {
  let running = 0;
  const queue: (() => void)[] = [];
  const turn = async (): Promise<void> => {
    if (running >= AT_ONCE) {
      if (queue.length >= WAITING) throw new AppError('BUSY');
      await new Promise<void>((resolve) => queue.push(resolve));
    }
    running += 1;
  };
  const run = async <T>(task: ForeignTask): Promise<T> => {
    await turn();
    try {
      const answer = await inThread(program, task);
      if ('refused' in answer) throw new AppError(answer.refused.code, answer.refused.params);
      return answer.done as T;
    } finally {
      running -= 1;
      queue.shift()?.();
    }
  };
  return {
    read: (bytes) => run({ do: 'read', bytes }),
    compare: (known, fresh) => run({ do: 'compare', known, fresh }),
    check: (text) => run({ do: 'check', text }),
    verify: (own) => run({ do: 'verify', ...own }),
    practice: (...of) => run({ do: 'practice', of }),
  };
}

/** What takes too long or too much room is no record. */
function inThread(program: string, task: ForeignTask): Promise<Answer> {
  const worker = new Worker(program, {
    workerData: { ...task, language: languageNow() },
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  });
  const tooMuch = (why: string): Answer => ({
    refused: { code: 'FOREIGN_UNREADABLE', params: { why } },
  });
  return new Promise<Answer>((resolve, reject) => {
    const late = setTimeout(() => resolve(tooMuch(text.record.slow)), LONGEST_MS);
    worker.once('message', resolve);
    worker.once('error', (error: NodeJS.ErrnoException) =>
      error.code === 'ERR_WORKER_OUT_OF_MEMORY'
        ? resolve(tooMuch(text.record.unpacks))
        : reject(error),
    );
    worker.once('exit', () => resolve(tooMuch(text.record.unreadable)));
    worker.once('exit', () => clearTimeout(late));
  }).finally(() => void worker.terminate());
}
