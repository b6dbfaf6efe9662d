import * as v from 'valibot';
import { time, rowsOf, done, changed } from './statement';
import listPeopleSql from './queries/listPeople.sql';
import addPersonSql from './queries/addPerson.sql';
import savePersonSql from './queries/savePerson.sql';
import forgetPersonSql from './queries/forgetPerson.sql';
import countOtherLeadsSql from './queries/countOtherLeads.sql';
import countLeadsSql from './queries/countLeads.sql';
import listSecuritySql from './queries/listSecurity.sql';
import noteSecuritySql from './queries/noteSecurity.sql';
import findPinSql from './queries/findPin.sql';
import savePinSql from './queries/savePin.sql';

export const listPeople = rowsOf(
  listPeopleSql,
  v.object({
    id: v.string(),
    name: v.string(),
    role: v.picklist(['lead', 'technician', 'adviser', 'apprentice', 'owner']),
    hasPin: v.boolean(),
    active: v.boolean(),
  }),
);
export const addPerson = rowsOf(addPersonSql, v.object({ added: v.boolean() }));
export const savePerson = changed(savePersonSql);
export const forgetPerson = done(forgetPersonSql);
export const countOtherLeads = rowsOf(countOtherLeadsSql, v.object({ n: v.number() }));
export const countLeads = rowsOf(countLeadsSql, v.object({ leads: v.number() }));
export const listSecurity = rowsOf(
  listSecuritySql,
  v.object({
    at: time,
    kind: v.string(),
    who: v.nullable(v.string()),
    about: v.nullable(v.string()),
    address: v.string(),
    device: v.string(),
  }),
);
export const noteSecurity = done(noteSecuritySql);
export const findPin = rowsOf(
  findPinSql,
  v.object({ name: v.string(), role: v.string(), hash: v.nullable(v.string()) }),
);
export const savePin = done(savePinSql);
