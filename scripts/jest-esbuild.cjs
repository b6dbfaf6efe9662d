// Jest transform for core and server: TypeScript to CommonJS, SQL files to statements.
const { transformSync } = require('esbuild');
const crypto = require('node:crypto');
const { statementOf } = require('./sqlStatement.cjs');
module.exports = {
  process: (src, file) =>
    file.endsWith('.sql')
      ? {
          code: `module.exports = { __esModule: true, default: ${JSON.stringify(statementOf(src, file))} };`,
        }
      : {
          ...transformSync(src, {
            loader: file.endsWith('x') ? 'tsx' : 'ts',
            format: 'cjs',
            target: 'node20',
            // Jest's own modules have none.
            supported: { 'dynamic-import': false },
            sourcemap: 'inline',
            sourcefile: file,
            sourcesContent: false,
          }),
        },
  getCacheKey: (src, file) =>
    crypto.createHash('sha1').update(src).update(file).update('4').digest('hex'),
};
