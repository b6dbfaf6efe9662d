import type { PracticeLog, PracticeResult } from '@stennet/core/practice';
import type { Sheet } from '@stennet/core/procedure';

/** A practice run on this device. */
export interface KeptPractice {
  log: PracticeLog;
  sheet: Sheet;
  person: string;
  shop: string;
  begunAt: string;
  /** Where nothing more is done to it. */
  result: PracticeResult | null;
  sent: boolean;
}
