import * as v from 'valibot';
import { rowsOf, done } from './statement';
import insertTraceSql from './queries/insertTrace.sql';
import findTracesSql from './queries/findTraces.sql';

export const insertTrace = done(insertTraceSql);
export const findTraces = rowsOf(
  findTracesSql,
  v.object({ trace: v.string(), body: v.nullable(v.string()) }),
);
