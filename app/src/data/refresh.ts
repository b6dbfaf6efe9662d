import type { QueryKey } from '@tanstack/react-query';
import { queryClient } from './queries';
import { queryKeys } from './queryKeys';

/** Asks again for what is shown of it, and for the rest when it is next shown. */
export const refresh = (...keys: QueryKey[]): Promise<unknown> =>
  Promise.all(keys.map((queryKey) => queryClient.invalidateQueries({ queryKey })));

/** Asks again when it is next shown; what is shown stays as it is. */
export const outdate = (...keys: QueryKey[]): Promise<unknown> =>
  Promise.all(
    keys.map((queryKey) => queryClient.invalidateQueries({ queryKey, refetchType: 'none' })),
  );

/**
 * Something about repair orders has changed: their lists, what is on one, by what its joints
 * are tightened.
 */
export const refreshOrders = (): Promise<unknown> =>
  refresh(
    queryKeys.today,
    queryKeys.orders,
    queryKeys.everyOrder,
    queryKeys.everyJointSheet,
    queryKeys.followUps,
    queryKeys.history,
    queryKeys.library,
  );

/** Which sheets there are, or which of them stand. */
export const refreshLibrary = (): Promise<unknown> =>
  refresh(
    queryKeys.library,
    queryKeys.everyFound,
    queryKeys.sheetPlaces,
    queryKeys.everySheet,
    queryKeys.everyJointSheet,
    queryKeys.today,
    queryKeys.everyOrder,
  );
