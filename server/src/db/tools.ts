import * as v from 'valibot';
import type { ShopTool } from '@stennet/core/prepare';
import { rowsOf, done, changed, json } from './statement';
import listToolsSql from './queries/listTools.sql';
import saveToolSql from './queries/saveTool.sql';
import addWrenchUseSql from './queries/addWrenchUse.sql';
import saveWrenchUseSql from './queries/saveWrenchUse.sql';

export const listTools = rowsOf(
  listToolsSql,
  v.object({
    id: v.string(),
    tool: json<ShopTool>(),
    version: v.number(),
    retired: v.boolean(),
    changedAt: v.string(),
    changedBy: v.nullable(v.string()),
  }),
);
export const saveTool = changed(saveToolSql);
export const addWrenchUse = done(addWrenchUseSql);
export const saveWrenchUse = done(saveWrenchUseSql);
