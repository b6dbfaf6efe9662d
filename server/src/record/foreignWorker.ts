import { parentPort, workerData } from 'node:worker_threads';
import { AppError } from '@stennet/core/errors';
import { judgePractice } from '@stennet/core/practice';
import { verifyRun } from '@stennet/core/record';
import { inLanguage } from '../language/speak';
import type { Language } from '@stennet/core/language';
import { fitsKey } from '../keys/keys';
import type { ForeignTask } from './foreignReader';
import { faultOfText, headsOf, standsTo } from './readForeign';

// A thread of its own for one file from elsewhere: whatever is in it, no one else waits.
function work(task: ForeignTask): unknown {
  switch (task.do) {
    case 'read':
      return headsOf(task.bytes);
    case 'compare':
      return standsTo(task.known, task.fresh);
    case 'check':
      return faultOfText(task.text);
    case 'practice':
      return judgePractice(...task.of);
    case 'verify':
      return verifyRun(task.pinned, task.chain, task.signatures, fitsKey(task.publicKey));
  }
}

try {
  const { language, ...task } = workerData as ForeignTask & { language: Language };
  parentPort?.postMessage({ done: inLanguage(language, () => work(task as ForeignTask)) });
} catch (error) {
  if (!(error instanceof AppError)) throw error;
  parentPort?.postMessage({ refused: { code: error.code, params: error.params } });
}
