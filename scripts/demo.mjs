// ./stennet demo: everything with demo data, one address. Ctrl-C stops all of it.
import fs from 'node:fs';
import path from 'node:path';
import { buildWeb } from './build-web.mjs';
import { clusterIn, dataHome, keyFolder } from './cluster.mjs';
import { ensurePostgres, Refusal, root } from './install.mjs';
import { startWrench, WRENCH_PORT } from './wrench.mjs';
import {
  assertHome,
  assertPortFree,
  ended,
  healthy,
  isOver,
  node,
  portOf,
  publish,
  serverProcess,
  fillWithDemo,
} from './serving.mjs';

const DATABASE = 'stennet_demo';

export async function demo(options) {
  const port = portOf(options, 4180);
  await assertPortFree(port, './stennet demo');
  ensurePostgres();
  const home = dataHome();
  assertHome(home);
  const release = onlyOneIn(home);
  const cluster = clusterIn(home);
  let server;
  let wrench;
  let ending = false;
  const end = async (code) => {
    if (ending) return;
    ending = true;
    if (server) {
      server.kill('SIGTERM');
      await ended(server);
    }
    wrench?.kill('SIGTERM');
    cluster.stop();
    release();
    process.exit(code);
  };
  process.on('SIGINT', () => void end(0));
  process.on('SIGTERM', () => void end(0));
  try {
    const web = publish(buildWeb(), home);
    node(['scripts/build-server.mjs']);
    await cluster.start();
    if (options.fresh) cluster.dropDatabase(DATABASE);
    const urls = cluster.ensureDatabase(DATABASE);
    fillWithDemo(urls.owner, home);
    server = serverProcess(
      {
        DATABASE_URL: urls.app,
        KEY_DIR: keyFolder(home),
        PORT: String(port),
        WEB_DIR: web,
        LOG_LEVEL: process.env.LOG_LEVEL ?? 'silent',
      },
      // Ctrl-C reaches this process first, which stops the server before its database.
      { detached: true },
    );
    server.once('exit', (code) => {
      if (!ending) void end(code ?? 1);
    });
    await healthy(`http://127.0.0.1:${port}`, () => isOver(server));
    // Another one that is on already does as well.
    const isFree = await assertPortFree(WRENCH_PORT, '').then(
      () => true,
      () => false,
    );
    if (isFree) wrench = startWrench(WRENCH_PORT);
    greet(port);
  } catch (error) {
    if (!ending) console.error(error instanceof Refusal ? error.message : error);
    await end(1);
  }
}

function onlyOneIn(home) {
  fs.mkdirSync(home, { recursive: true });
  const file = path.join(home, 'demo.pid');
  if (fs.existsSync(file)) {
    const pid = Number(fs.readFileSync(file, 'utf8'));
    if (isDemo(pid))
      throw new Refusal(
        `A demo is already running (process ${pid}). Stop it with Ctrl-C in its window, or: kill ${pid}`,
      );
  }
  fs.writeFileSync(file, String(process.pid));
  return () => fs.rmSync(file, { force: true });
}

/** A number left by a killed start may belong to another program by now. */
function isDemo(pid) {
  try {
    return (
      pid !== process.pid && fs.readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('stennet.mjs')
    );
  } catch {
    return false;
  }
}

function greet(port) {
  const { people, password, shops } = JSON.parse(
    fs.readFileSync(path.join(root, 'demo/world.json'), 'utf8'),
  );
  const roles = (id) =>
    shops
      .flatMap((s) => s.members.filter((m) => m.person === id).map((m) => `${m.role}, ${s.name}`))
      .join('; ');
  console.log(
    `\nStennet is running at http://localhost:${port}\n\nSign in with password “${password}” as`,
  );
  for (const p of people) console.log(`  ${p.name.padEnd(14)} ${roles(p.id)}`);
  console.log(`\nSimulated digital wrench: pull it at http://127.0.0.1:${WRENCH_PORT}`);
  console.log(
    '\nAll vehicles, values and people are invented. Press Ctrl-C to stop; your entries are kept.',
  );
}
