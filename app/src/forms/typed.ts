import * as v from 'valibot';
import { commonText } from '@/language/common';

/** A few words, without blanks around them. */
export const words = (most: number) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.maxLength(most, () => commonText.tooLong({ n: most })),
  );

/** Words that must stand there. @param field its label, as it stands beside the field */
export const needed = (field: () => string, most: number) =>
  v.pipe(
    words(most),
    v.nonEmpty(() => commonText.missing({ field: field() })),
  );
