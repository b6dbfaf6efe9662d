// Bundles bench/find.ts (it reads .sql files) and runs it on databases of its own, which it fills
// first.
import { execFileSync } from 'node:child_process';
import path from 'node:path';
import { build } from 'esbuild';
import { sqlStatements } from '../scripts/sqlStatement.cjs';
import { root } from '../scripts/install.mjs';

export async function measureFind(cluster) {
  const outfile = path.join(root, 'server/dist/bench-find.mjs');
  await build({
    entryPoints: [path.join(root, 'bench/find.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    plugins: [sqlStatements],
    external: ['pg', 'fast-check'],
    logLevel: 'warning',
  });
  const run = (name, shops, sheets) => {
    const urls = cluster.ensureDatabase(name);
    execFileSync(process.execPath, ['server/dist/prepareDatabase.js', 'server/migrations'], {
      cwd: root,
      env: { ...process.env, OWNER_DATABASE_URL: urls.owner },
    });
    const out = execFileSync(process.execPath, [outfile], {
      cwd: root,
      encoding: 'utf8',
      maxBuffer: 1e8,
      env: {
        ...process.env,
        ADMIN_URL: urls.admin,
        APP_URL: urls.app,
        SHOPS: String(shops),
        SHEETS: String(sheets),
      },
    });
    return JSON.parse(out);
  };
  const scale = Number(process.env.STENNET_BENCH_SCALE ?? 1);
  return [
    run('stennet_find_one', 1, Math.round(200_000 * scale)),
    run('stennet_find_many', Math.round(200 * scale), 1000),
  ];
}
