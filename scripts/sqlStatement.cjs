// A .sql file as the driver takes it: its text, with the file's name as the statement's. A named
// statement is parsed and planned once on a connection, not each time: planning the joins cost more
// than reading what they find.
const fs = require('node:fs/promises');
const path = require('node:path');

const statementOf = (text, file) => ({ name: path.basename(file, '.sql'), text });

/** For esbuild. */
const sqlStatements = {
  name: 'sql-statements',
  setup: (build) =>
    build.onLoad({ filter: /\.sql$/ }, async ({ path: file }) => ({
      contents: `export default ${JSON.stringify(statementOf(await fs.readFile(file, 'utf8'), file))};`,
      loader: 'js',
    })),
};

module.exports = { statementOf, sqlStatements };
