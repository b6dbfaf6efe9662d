import { doorErrors } from './doorErrors';
import { runErrors } from './runErrors';
import { pullErrors } from './pullErrors';
import { recordErrors } from './recordErrors';
import { orderErrors } from './orderErrors';
import { sheetErrors } from './sheetErrors';

/** Every refusal: what is wrong, what to do now. */
export const errors = {
  ...doorErrors,
  ...runErrors,
  ...pullErrors,
  ...recordErrors,
  ...orderErrors,
  ...sheetErrors,
};
