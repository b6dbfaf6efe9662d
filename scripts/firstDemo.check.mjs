// `./stennet demo` as the first command in a fresh clone: its page comes, someone signs in, Today
// is alive, Ctrl-C stops it. Built on Node.js alone, because it runs before any package is
// installed.
import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from './cluster.mjs';
import { root } from './install.mjs';

const LONGEST_MS = 12 * 60_000;
const home = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-first-'));
fs.chmodSync(home, 0o755);
const port = await freePort();
const url = `http://localhost:${port}`;
const demo = spawn(path.join(root, 'stennet'), ['demo', '--port', String(port)], {
  cwd: root,
  env: { ...process.env, STENNET_HOME: home },
  stdio: ['ignore', 'pipe', 'inherit'],
});
const over = new Promise((resolve) => demo.once('exit', (code) => resolve(code)));
try {
  await greeting();
  const page = await fetch(url);
  assert.equal(page.status, 200);
  assert.match(await page.text(), /<div id="root">/);
  const cookie = await signIn();
  await assertAlive(cookie);
  demo.kill('SIGINT');
  assert.equal(await over, 0, 'Ctrl-C ends the demo');
  console.log('the demo starts in a fresh clone, signs in, shows Today and stops');
} finally {
  demo.kill('SIGKILL');
  fs.rmSync(home, { recursive: true, force: true });
}

/** The demo says where it runs once everything is up. */
function greeting() {
  return new Promise((resolve, reject) => {
    const late = setTimeout(() => reject(new Error('the demo did not come up')), LONGEST_MS);
    let said = '';
    demo.stdout.on('data', (piece) => {
      said += piece;
      process.stdout.write(piece);
      if (!said.includes(url)) return;
      clearTimeout(late);
      resolve();
    });
    void over.then((code) => {
      clearTimeout(late);
      reject(new Error(`the demo ended with ${code}`));
    });
  });
}

async function signIn() {
  const { password, people } = JSON.parse(
    fs.readFileSync(path.join(root, 'demo/world.json'), 'utf8'),
  );
  const answer = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: url },
    body: JSON.stringify({ name: people.find((p) => p.name === 'Jonah Pike').name, password }),
  });
  assert.equal(answer.status, 200, await answer.clone().text());
  return /stennet_session=[^;]+/.exec(answer.headers.get('set-cookie'))[0];
}

/** A day at work: one run left half-way, and one that waits for the lead. */
async function assertAlive(cookie) {
  const { orders } = await (await fetch(`${url}/api/today`, { headers: { cookie } })).json();
  const runs = orders.flatMap((o) => o.jobs.flatMap((j) => j.joints.flatMap((t) => t.runs)));
  assert.ok(
    runs.some((r) => r.state === 'open' && r.standing.done > 0),
    'a run is open and half-way',
  );
  assert.ok(
    runs.some((r) => r.standing.asksLead > 0),
    'something waits for the lead',
  );
}
