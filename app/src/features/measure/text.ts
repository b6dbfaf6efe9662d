import { textsOf } from '@stennet/core/language';
import type { Formatter } from '@stennet/core/quantity';
import { measure } from '@/language/en/measure';

export const text = textsOf('measure', measure);

/** What costs less: to repair the part or to replace it. */
export const cheaper = (
  { mend, replace }: { mend: number; replace: number },
  format: Formatter,
): string =>
  (mend <= replace ? text.cheaperRepair : text.cheaperReplace)({
    repair: format.price(mend),
    replace: format.price(replace),
  });
