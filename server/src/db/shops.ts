import * as v from 'valibot';
import { rowsOf, done } from './statement';
import makeShopSql from './queries/makeShop.sql';
import saveShopSql from './queries/saveShop.sql';
import listShopsSql from './queries/listShops.sql';

export const makeShop = rowsOf(makeShopSql, v.object({ made: v.boolean() }));
/** In: hash of the code, until when it is good. Only the owner of the tables may. */
export const saveShopCode = done({
  name: 'saveShopCode',
  text: 'insert into shop_code (hash, ends_at) values ($1, $2)',
});
export const saveShop = done(saveShopSql);
export const listShops = rowsOf(listShopsSql, v.object({ shop: v.string() }));
export const findOwnShop = rowsOf(
  { name: 'findOwnShop', text: 'select name from shop where shop = current_shop()' },
  v.object({ name: v.string() }),
);
