// ./stennet bench: what is measured here is said as ratios within one run; absolute numbers only
// tell of this machine.
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { browserPath } from '../scripts/browser.mjs';
import { buildWeb, exportWeb } from '../scripts/build-web.mjs';
import { clusterIn, keyFolder } from '../scripts/cluster.mjs';
import { quietly, root } from '../scripts/install.mjs';
import { serverProcess } from '../scripts/serving.mjs';
import { measureDrag } from './drag.mjs';
import { measureFind } from './find.mjs';
import { measureFrames } from './frames.mjs';
import { measureHistory } from './history.mjs';
import { makeLoadShops } from './loadShops.mjs';
import { measureLibrary } from './library.mjs';
import { measureReplica } from './replica.mjs';
import { measureStalls } from './stalls.mjs';
import { measureStart } from './start.mjs';
import { measureVerdict } from './verdict.mjs';
import { render } from './report.mjs';

const LOAD_SHOPS = 20;

export async function bench([only]) {
  const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-bench-'));
  fs.chmodSync(home, 0o755);
  const cluster = clusterIn(home);
  const servers = [];
  process.env.KEY_DIR = keyFolder(home);
  try {
    const web = path.join(home, 'web');
    fs.cpSync(buildWeb(), web, { recursive: true });
    const empty = path.join(home, 'empty');
    buildEmptyPage(empty);
    quietly(process.execPath, ['scripts/build-server.mjs']);
    await cluster.start();
    const urls = cluster.ensureDatabase('stennet_bench');
    quietly(process.execPath, ['server/dist/prepareDatabase.js', 'server/migrations', 'demo'], {
      env: {
        OWNER_DATABASE_URL: urls.owner,
      },
    });
    const app = await serve(servers, urls.app, web);
    const emptyPage = await serve(servers, urls.app, empty);
    const browser = await chromium.launch({
      executablePath: browserPath(),
      args: ['--no-sandbox', '--disable-gpu'],
    });
    const wanted = (name) => !only || only === name;
    const results = {
      start: wanted('start') ? await measureStart(browser, app, emptyPage) : undefined,
      frames: wanted('frames') ? await measureFrames(browser, app, urls) : undefined,
      drag: wanted('drag') ? await measureDrag(browser, app) : undefined,
      verdict: wanted('verdict') ? await measureVerdict(browser, app) : undefined,
      stalls: wanted('stalls') ? await measureStalls(app, servers[0].pid) : undefined,
      confirm: wanted('confirm')
        ? withTsx('bench/confirm.mts', app, JSON.stringify(urls))
        : undefined,
      interaction: wanted('interaction') ? withTsx('bench/interaction.mts') : undefined,
      reduce: wanted('reduce') ? withTsx('bench/reduce.mts') : undefined,
    };
    // Last: they fill the database.
    results.library = wanted('library') ? await measureLibrary(browser, app) : undefined;
    results.history = wanted('history') ? await measureHistory(app, urls) : undefined;
    results.replica = wanted('history')
      ? await fromReplica(cluster, home, servers, app, web)
      : undefined;
    results.load = wanted('load') ? await load(cluster, servers[0], app, urls) : undefined;
    results.find = wanted('find') ? await measureFind(cluster) : undefined;
    await browser.close();
    const table = render(results);
    console.log(table);
    if (!only) fs.writeFileSync(path.join(root, 'docs/BENCHMARKS.md'), table);
  } finally {
    for (const server of servers) server.kill('SIGKILL');
    cluster.destroy();
    fs.rmSync(home, { recursive: true, force: true });
  }
}

const withTsx = (program, ...args) =>
  JSON.parse(quietly(process.execPath, ['--import', 'tsx', program, ...args]));

async function load(cluster, server, app, urls) {
  await makeLoadShops(urls.admin, LOAD_SHOPS);
  // Their journals begin.
  quietly(process.execPath, ['server/dist/prepareDatabase.js', 'server/migrations', 'demo'], {
    env: { OWNER_DATABASE_URL: urls.owner },
  });
  return withTsx('bench/load.mts', app, JSON.stringify(urls), server.pid, cluster.pid());
}

function buildEmptyPage(to) {
  exportWeb('bench/empty-page', to);
  quietly(process.execPath, [path.join(root, 'scripts/build-sw.mjs'), to]);
}

async function fromReplica(cluster, home, servers, app, web) {
  const replica = await cluster.replicate(home);
  try {
    const urls = cluster.urls('stennet_bench');
    const url = replica.url('stennet_bench');
    return await measureReplica(
      app,
      await serve(servers, urls.app, web, { READ_DATABASE_URL: url }),
      urls,
      url,
    );
  } finally {
    replica.kill();
  }
}

async function serve(servers, databaseUrl, web, more = {}) {
  const port = await new Promise((resolve) => {
    const s = net.createServer();
    s.listen(0, () => {
      const { port: free } = s.address();
      s.close(() => resolve(free));
    });
  });
  servers.push(
    serverProcess({ DATABASE_URL: databaseUrl, PORT: String(port), WEB_DIR: web, ...more }),
  );
  const url = `http://localhost:${port}`;
  for (let i = 0; i < 100; i += 1) {
    if (
      await fetch(`${url}/api/health`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return url;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server does not answer');
}
