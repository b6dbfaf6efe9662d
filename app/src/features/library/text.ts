import { textsOf } from '@stennet/core/language';
import { library } from '@/language/en/library';

export const text = textsOf('library', library);

/** How far a draft is from approval. */
export const readiness = ({ errors, warnings }: { errors: number; warnings: number }): string =>
  errors > 0
    ? text.toFix({ count: errors })
    : warnings > 0
      ? text.toAnswer({ count: warnings })
      : text.ready;
