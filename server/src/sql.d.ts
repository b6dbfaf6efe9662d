declare module '*.sql' {
  /** Text and name of a statement (scripts/sqlStatement.cjs). */
  const statement: { name: string; text: string };
  export default statement;
}
