import * as v from 'valibot';
import type { Connection } from './connection';

/** A .sql file: the name it is prepared under, and its text (scripts/sqlStatement.cjs). */
export interface Statement {
  name: string;
  text: string;
}
type Values = readonly unknown[];

/**
 * A statement that gives rows. Each is parsed as it comes: a table may be older than the code, and
 * a wrong guess about a column must end here, not in a number on a screen.
 */
export const rowsOf =
  <S extends v.GenericSchema>(statement: Statement, row: S) =>
  async (client: Connection, ...values: Values): Promise<v.InferOutput<S>[]> =>
    parsed(statement.name, v.array(row), (await client.query(statement, [...values])).rows);

function parsed<S extends v.GenericSchema>(
  name: string,
  rows: S,
  found: unknown,
): v.InferOutput<S> {
  const tried = v.safeParse(rows, found);
  if (tried.success) return tried.output;
  const [issue] = tried.issues;
  throw new Error(`${name} gave ${v.getDotPath(issue)}: ${issue.message}`);
}

/** A statement of which only matters how many rows it touched. */
export const changed =
  (statement: Statement) =>
  async (client: Connection, ...values: Values): Promise<number> =>
    (await client.query(statement, [...values])).rowCount ?? 0;

/** A statement that gives nothing back. */
export const done =
  (statement: Statement) =>
  async (client: Connection, ...values: Values): Promise<void> =>
    void (await client.query(statement, [...values]));

/** A column of JSON whose form the core has checked before it was stored. */
export const json = <T extends object>(): v.GenericSchema<T> =>
  v.custom<T>((value) => typeof value === 'object' && value !== null);

/** A moment, as it goes into a reply. */
export const time = v.pipe(
  v.date(),
  v.transform((at) => at.toISOString()),
);
