import * as v from 'valibot';
import { ROLES } from '@stennet/core/contract';
import { CRITERIA, EXERCISES } from '@stennet/core/practice';
import { changed, done, rowsOf } from './statement';
import deletePracticeRuleSql from './queries/deletePracticeRule.sql';
import findPracticeSql from './queries/findPractice.sql';
import insertPracticeRuleSql from './queries/insertPracticeRule.sql';
import insertPracticeSql from './queries/insertPractice.sql';
import listPracticeRulesSql from './queries/listPracticeRules.sql';
import listPracticeSql from './queries/listPractice.sql';
import listUnpracticedSql from './queries/listUnpracticed.sql';

const exercise = v.picklist(EXERCISES);

export const insertPractice = changed(insertPracticeSql);
export const listPractice = rowsOf(
  listPracticeSql,
  v.object({
    id: v.string(),
    person: v.string(),
    exercise: v.nullable(exercise),
    sheet: v.nullable(v.string()),
    revision: v.nullable(v.string()),
    title: v.nullable(v.string()),
    passed: v.boolean(),
    better: v.nullable(v.picklist(CRITERIA)),
    at: v.string(),
  }),
);
export const findPractice = rowsOf(
  findPracticeSql,
  v.object({ person: v.string(), log: v.string() }),
);
export const listPracticeRules = rowsOf(
  listPracticeRulesSql,
  v.object({ role: v.picklist(ROLES), kind: v.string(), exercise }),
);
export const listUnpracticed = rowsOf(listUnpracticedSql, v.object({ exercise }));
export const insertPracticeRule = done(insertPracticeRuleSql);
export const deletePracticeRule = done(deletePracticeRuleSql);
