import * as v from 'valibot';
import { time, rowsOf, done, changed } from './statement';
import enterSessionSql from './queries/enterSession.sql';
import insertSessionSql from './queries/insertSession.sql';
import endSessionSql from './queries/endSession.sql';
import listSessionsSql from './queries/listSessions.sql';
import endOneSessionSql from './queries/endOneSession.sql';
import countGuessSql from './queries/countGuess.sql';
import forgiveGuessSql from './queries/forgiveGuess.sql';
import forgetGuessesSql from './queries/forgetGuesses.sql';
import findEnrolledSql from './queries/findEnrolled.sql';
import saveEnrolmentSql from './queries/saveEnrolment.sql';
import deleteEnrolmentSql from './queries/deleteEnrolment.sql';
import { UNIT_CODES } from '@stennet/core/quantity';

/** The session with its shop. */
export const SessionRowSchema = v.object({
  id: v.string(),
  account: v.string(),
  entry_key: v.instance(Buffer),
  name: v.string(),
  role: v.picklist(['lead', 'technician', 'adviser', 'apprentice', 'owner']),
  shop: v.string(),
  shop_name: v.string(),
  second_signature: v.boolean(),
  idle_minutes: v.number(),
  retention_months: v.nullable(v.number()),
  locale: v.string(),
  time_zone: v.string(),
  paper: v.picklist(['A4', 'Letter']),
  torque_unit: v.picklist(UNIT_CODES),
});
export type SessionRow = v.InferOutput<typeof SessionRowSchema>;
/** The session with its shop; or where that has moved to. */
export const enterSession = rowsOf(
  enterSessionSql,
  v.union([v.object({ moved: v.string() }), SessionRowSchema]),
);
export const insertSession = done(insertSessionSql);
export const endSession = done(endSessionSql);
export const listSessions = rowsOf(
  listSessionsSql,
  v.object({
    at: time,
    id: v.string(),
    address: v.string(),
    device: v.string(),
    seenAt: time,
    token_hash: v.instance(Buffer),
  }),
);
export const endOneSession = changed(endOneSessionSql);
export const countGuess = rowsOf(countGuessSql, v.object({ until: v.nullable(v.date()) }));
export const forgiveGuess = done(forgiveGuessSql);
export const forgetGuesses = done(forgetGuessesSql);
export const findEnrolled = rowsOf(
  findEnrolledSql,
  v.object({ name: v.string(), secret_hash: v.instance(Buffer), hash: v.nullable(v.string()) }),
);
export const saveEnrolment = done(saveEnrolmentSql);
export const deleteEnrolment = done(deleteEnrolmentSql);
