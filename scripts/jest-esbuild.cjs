// Jest transform for core and server: TypeScript to CommonJS, SQL files to their text.
const { transformSync } = require('esbuild');
const crypto = require('node:crypto');
module.exports = {
  process: (src, file) =>
    file.endsWith('.sql')
      ? { code: `module.exports = { __esModule: true, default: ${JSON.stringify(src)} };` }
      : { ...transformSync(src, { loader: file.endsWith('x') ? 'tsx' : 'ts', format: 'cjs', target: 'node20', sourcemap: 'inline', sourcefile: file, sourcesContent: false }) },
  getCacheKey: (src, file) => crypto.createHash('sha1').update(src).update(file).update('2').digest('hex'),
};
