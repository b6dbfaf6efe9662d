import * as v from 'valibot';
import { CHECK_VERDICTS, WrenchCheckSchema } from '@stennet/core/calibration';
import type { ShopTool } from '@stennet/core/prepare';
import { rowsOf, done, changed, json } from './statement';
import countWrenchUseSql from './queries/countWrenchUse.sql';
import insertWrenchCheckSql from './queries/insertWrenchCheck.sql';
import listToolsSql from './queries/listTools.sql';
import listWrenchChecksSql from './queries/listWrenchChecks.sql';
import saveToolSql from './queries/saveTool.sql';
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
export const listWrenchChecks = rowsOf(
  listWrenchChecksSql,
  v.object({
    id: v.string(),
    day: v.string(),
    verdict: v.picklist(CHECK_VERDICTS),
    check: WrenchCheckSchema,
    by: v.nullable(v.string()),
  }),
);
export const insertWrenchCheck = changed(insertWrenchCheckSql);
export const countWrenchUse = rowsOf(
  countWrenchUseSql,
  v.object({ joints: v.number(), pulls: v.number() }),
);
export const saveWrenchUse = done(saveWrenchUseSql);
