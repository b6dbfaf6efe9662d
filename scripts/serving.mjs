// What every way of running the server needs: a free port, a built app where the server's user can
// read it, an answer to wait for.
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import net from 'node:net';
import path from 'node:path';
import { Refusal, root } from './install.mjs';
import { keyFolder } from './postgres.mjs';

export function portOf({ port: given }, usual) {
  const port = Number(given ?? process.env.PORT ?? usual);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Refusal('--port needs a number from 1 to 65535.');
  return port;
}

/** Whether a child process has ended, by itself or by a signal. */
export const isOver = (child) => child.exitCode !== null || child.signalCode !== null;

/** Until a child process has ended; one that had ended before says so no more. */
export const ended = (child) =>
  new Promise((resolve) => (isOver(child) ? resolve() : child.once('exit', () => resolve())));

/** One of the server's own programs, to its end. */
export function node(args, env = {}) {
  const done = spawnSync(process.execPath, args, {
    cwd: root,
    encoding: 'utf8',
    stdio: ['ignore', 'inherit', 'pipe'],
    env: { ...process.env, ...env },
  });
  if (done.status !== 0) throw new Refusal(`${args[0]} failed:\n${done.stderr}`);
}

/** The server as a child process, on a port and a database; silent unless asked. */
export const serverProcess = (env, more = {}) =>
  spawn(process.execPath, ['server/dist/main.js'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, LOG_LEVEL: 'silent', ...env },
    ...more,
  });

export function assertPortFree(port, command, host = '127.0.0.1') {
  return new Promise((resolve, reject) => {
    const s = net.createServer();
    s.once('error', (e) =>
      reject(
        new Refusal(
          e.code === 'EADDRINUSE'
            ? `Port ${port} is in use. Stop the other program or use another port: ${command} --port ${port + 1}`
            : e.message,
        ),
      ),
    );
    s.listen(port, host, () => s.close(() => resolve()));
  });
}

/**
 * As root the server becomes an ordinary user, who may not be able to read the clone: the built app
 * goes where it can.
 */
export function publish(dist, home, name = 'web') {
  if (process.getuid() !== 0) return dist;
  const web = path.join(home, name);
  fs.rmSync(web, { recursive: true, force: true });
  fs.cpSync(dist, web, { recursive: true });
  return web;
}

/**
 * Whether the server answers and has its database. A certificate of their own is not known to this
 * program, and it asks its own machine only.
 */
export const isHealthy = (url) =>
  new Promise((resolve) => {
    const [{ get }, options] = url.startsWith('https:')
      ? [https, { rejectUnauthorized: false }]
      : [http, {}];
    get(`${url}/api/health`, { ...options, timeout: 3000 }, (reply) =>
      resolve(reply.resume().statusCode === 200),
    )
      .on('timeout', function () {
        this.destroy();
      })
      .on('error', () => resolve(false));
  });

export async function healthy(url, gone) {
  for (let tries = 0; tries < 300 && !gone(); tries += 1) {
    if (await isHealthy(url)) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Refusal('The server is not responding; see above.');
}

const LEAST_FREE = 200e6;

/** The folder of the data: made, ours, and with room in it; otherwise what to do is said. */
export function assertHome(home) {
  try {
    fs.mkdirSync(home, { recursive: true, mode: 0o755 });
    const probe = path.join(home, `.probe-${process.pid}`);
    fs.writeFileSync(probe, 'x');
    fs.rmSync(probe);
  } catch (error) {
    if (error.code === 'EACCES' || error.code === 'EPERM')
      throw new Refusal(
        `${home} belongs to another user. Start Stennet as that user, or use another folder: STENNET_HOME=/path ./stennet …`,
      );
    if (error.code === 'ENOSPC')
      throw new Refusal(`The disk with ${home} is full. Free some space, then start again.`);
    throw new Refusal(`Cannot write to ${home}: ${error.message}`);
  }
  const { bavail, bsize } = fs.statfsSync(home);
  if (bavail * bsize < LEAST_FREE)
    throw new Refusal(
      `Only ${Math.round((bavail * bsize) / 1e6)} MB are free on the disk with ${home}; 200 MB are needed. Free some space, then start again.`,
    );
}

/** The demo world into a database that may still be empty, with the keys of this folder. */
export function fillWithDemo(ownerUrl, home) {
  node(['server/dist/prepareDatabase.js', 'server/migrations', 'demo'], {
    OWNER_DATABASE_URL: ownerUrl,
    KEY_DIR: keyFolder(home),
  });
}
