import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

export const TEMPLATE = 'stennet_e2e';

/** The web app, a cluster of the tests' own, and a database that each test copies. */
export default async function globalSetup(): Promise<() => void> {
  const root = process.cwd();
  const { clusterIn, keyFolder } = await import('../scripts/cluster.mjs');
  const { buildWeb } = await import('../scripts/build-web.mjs');
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-e2e-'));
  fs.chmodSync(home, 0o755);
  const web = path.join(home, 'web');
  fs.cpSync(buildWeb(), web, { recursive: true });
  execFileSync(process.execPath, ['scripts/build-server.mjs'], { cwd: root });
  const cluster = clusterIn(home);
  await cluster.start();
  const urls = cluster.ensureDatabase(TEMPLATE);
  execFileSync(process.execPath, ['server/dist/prepareDatabase.js', 'server/migrations', 'demo'], {
    cwd: root,
    env: { ...process.env, OWNER_DATABASE_URL: urls.owner, KEY_DIR: keyFolder(home) },
  });
  process.env.STENNET_E2E_HOME = home;
  process.env.KEY_DIR = keyFolder(home);
  process.env.STENNET_E2E_WEB = web;
  return () => {
    cluster.destroy();
    fs.rmSync(home, { recursive: true, force: true });
  };
}
