import * as v from 'valibot';
import { rowsOf, done } from './statement';
import makeFirstShopSql from './queries/makeFirstShop.sql';
import saveShopSql from './queries/saveShop.sql';
import listShopsSql from './queries/listShops.sql';

export const makeFirstShop = rowsOf(makeFirstShopSql, v.object({ made: v.boolean() }));
export const saveShop = done(saveShopSql);
export const listShops = rowsOf(listShopsSql, v.object({ shop: v.string() }));
export const findOwnShop = rowsOf(
  { name: 'findOwnShop', text: 'select name from shop where shop = current_shop()' },
  v.object({ name: v.string() }),
);
