import { createContext, useContext } from 'react';
import type { Me } from '@stennet/core/contract';
import type { Formatter } from '@stennet/core/quantity';

/** Who works here now, and in whose style numbers are written. */
export interface Account {
  me: Me;
  format: Formatter;
}

export const SignedIn = createContext<Account | null>(null);

export function useSignedIn(): Account {
  const account = useContext(SignedIn);
  if (!account) throw new Error('this screen is shown to people who are signed in');
  return account;
}
