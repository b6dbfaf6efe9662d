// A cluster of the tests' own, in a folder that goes with them. Never the demo's.
const { execFileSync } = require('node:child_process');
const fs = require('node:fs');
const os = require('node:os');
const path = require('node:path');

module.exports = async () => {
  const root = path.resolve(__dirname, '../..');
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-test-'));
  fs.chmodSync(home, 0o755);
  const { clusterIn, keyFolder } = await import('../../scripts/cluster.mjs');
  const cluster = clusterIn(home);
  await cluster.start();
  const urls = cluster.ensureDatabase('stennet_test');
  execFileSync(process.execPath, [path.join(root, 'scripts/build-server.mjs')], {
    cwd: root,
    stdio: 'inherit',
  });
  execFileSync(process.execPath, ['server/dist/prepareDatabase.js', 'server/migrations', 'demo'], {
    cwd: root,
    env: { ...process.env, OWNER_DATABASE_URL: urls.owner, KEY_DIR: keyFolder(home) },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  process.env.TEST_KEY_DIR = keyFolder(home);
  process.env.TEST_DATABASE_URLS = JSON.stringify(urls);
  globalThis.stennetTest = { cluster, home };
};
