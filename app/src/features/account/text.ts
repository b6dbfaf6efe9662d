import { textsOf } from '@stennet/core/language';
import { account } from '@/language/en/account';

export const text = textsOf('account', account);

/** Whose entries wait on this device until they sign in again. */
export const unsentOf = ({ name, count }: { name: string; count: number }): string =>
  name ? text.unsentOf({ name, count }) : text.unsentOfUnknown({ count });
