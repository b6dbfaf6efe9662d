import { languageNow, textsOf } from '@stennet/core/language';
import { tighten } from '@/language/en/tighten';

export { fastenerName } from '@stennet/core/procedure';

export const text = textsOf('tighten', tighten);

/** @example ordinal(3) // '3rd' */
export function ordinal(n: number): string {
  const kind = new Intl.PluralRules(languageNow(), { type: 'ordinal' }).select(n);
  return text.ordinals[kind === 'one' || kind === 'two' || kind === 'few' ? kind : 'other']({ n });
}
