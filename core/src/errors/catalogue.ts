import { doorErrors } from './doorErrors';
import type { Entry } from './entry';
import { orderErrors } from './orderErrors';
import { pullErrors } from './pullErrors';
import { recordErrors } from './recordErrors';
import { runErrors } from './runErrors';
import { sheetErrors } from './sheetErrors';

export type { ErrorParams } from './entry';

/** Every refusal of the product. Message and fix are what a technician reads. */
export const catalogue = {
  ...doorErrors,
  ...runErrors,
  ...pullErrors,
  ...recordErrors,
  ...orderErrors,
  ...sheetErrors,
} as const satisfies Record<string, Entry>;

export type ErrorCode = keyof typeof catalogue;
