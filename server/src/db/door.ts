import * as v from 'valibot';
import { ROLES } from '@stennet/core/contract';
import { done, rowsOf } from './statement';

/**
 * What can be asked before someone is signed in. The tables behind are hidden from the serving
 * role; these functions of the database (migrations) say just this much of them.
 */
const given = v.object({ given: v.boolean() });

export const findAccount = rowsOf(
  { name: 'findAccount', text: 'select id, password_hash from find_account($1)' },
  v.object({ id: v.string(), password_hash: v.string() }),
);
export const findPasswordHash = rowsOf(
  { name: 'findPasswordHash', text: 'select password_of($1) as hash' },
  v.object({ hash: v.nullable(v.string()) }),
);
export const knowsDevice = rowsOf(
  { name: 'knowsDevice', text: 'select knows_device($1, $2) as given' },
  given,
);
export const noteDevice = done({ name: 'noteDevice', text: 'select note_device($1, $2, $3)' });
export const forgetDevices = done({ name: 'forgetDevices', text: 'select forget_devices($1)' });
export const giveCode = rowsOf(
  { name: 'giveCode', text: 'select give_code($1, $2, $3) as given' },
  given,
);
export const takeCode = rowsOf(
  { name: 'takeCode', text: 'select take_code($1, $2, $3, $4) as given' },
  given,
);
export const changePassword = rowsOf(
  { name: 'changePassword', text: 'select change_password($1, $2, $3) as given' },
  given,
);
export const endEverySession = done({
  name: 'endEverySession',
  text: 'select ends_sessions($1, null, $2)',
});

/** In: person, the session that stays, now. */
export const endOtherSessions = done({
  name: 'endOtherSessions',
  text: `select ends_sessions($1, (
    select token_hash from session where shop = current_shop() and id = $2), $3)`,
});

export const listShopsOf = rowsOf(
  { name: 'listShopsOf', text: 'select shop, shop_name, role from shops_of($1)' },
  v.object({ shop: v.string(), shop_name: v.string(), role: v.picklist(ROLES) }),
);
export const needsFirstShop = rowsOf(
  { name: 'needsFirstShop', text: 'select needs_first_shop() as given' },
  given,
);
export const isShopCode = rowsOf(
  { name: 'isShopCode', text: 'select is_shop_code($1, $2) as given' },
  given,
);
export const findFeedOwner = rowsOf(
  { name: 'findFeedOwner', text: 'select shop, account from find_feed($1)' },
  // null: the shop has moved, and the look-up goes where it is.
  v.object({ shop: v.string(), account: v.nullable(v.string()) }),
);
