import * as v from 'valibot';
import { commonText } from '@/language/common';

/** A few words, without blanks around them. */
export const words = (most: number) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.maxLength(most, () => commonText.tooLong({ n: most })),
  );

/** A new password. */
export const newPassword = () =>
  v.pipe(
    v.string(),
    v.minLength(10, () => commonText.passwordShort),
    v.maxLength(200, () => commonText.tooLong({ n: 200 })),
  );

/** A new PIN. */
export const newPin = () =>
  v.pipe(
    v.string(),
    v.regex(/^\d{4,8}$/, () => commonText.pinDigits),
  );

/** A password that was chosen before: taken as it is, blanks and all. */
export const secret = (field: () => string) =>
  v.pipe(
    v.string(),
    v.nonEmpty(() => commonText.missing({ field: field() })),
  );

/** Words that must stand there. @param field its label, as it stands beside the field */
export const needed = (field: () => string, most: number) =>
  v.pipe(
    words(most),
    v.nonEmpty(() => commonText.missing({ field: field() })),
  );
