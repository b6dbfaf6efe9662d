import fs from 'node:fs';
import http from 'node:http';
import os from 'node:os';
import https from 'node:https';
import path from 'node:path';
import { createApp } from './app';
import { applicationOf, assertHarmlessRole, HarmfulRole, openDatabase } from './db/database';
import { listenTo } from './db/hints';
import { journalOf } from './journal/journal';
import { openDirectory } from './db/directory';
import type { Cells } from './http/cells';
import { openFiles } from './files/openFiles';
import { keysIn } from './keys/keys';
import { dropRoot } from './dropRoot';

// The process that serves: environment in, listening socket out. `./stennet demo` starts it.
const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
};

async function main(): Promise<void> {
  // Read while this process may: afterwards it is an ordinary user.
  const tls = process.env.TLS_CERT
    ? { cert: fs.readFileSync(process.env.TLS_CERT), key: fs.readFileSync(env('TLS_KEY')) }
    : null;
  dropRoot();
  const url = env('DATABASE_URL');
  await assertHarmlessRole(url);
  const clockSetTo = process.env.STENNET_NOW ?? null;
  const offsetMs = clockSetTo ? new Date(clockSetTo).getTime() - Date.now() : 0;
  const replica = process.env.READ_DATABASE_URL || undefined;
  if (replica) await assertHarmlessRole(replica).catch(dangerOnly);
  const now = (): Date => new Date(Date.now() + offsetMs);
  const keys = keysIn(env('KEY_DIR'));
  const cells = cellsOf(process.env);
  const server = `${os.hostname()}:${env('PORT')}`;
  const isPooled = process.env.DATABASE_POOLED === '1';
  const db = openDatabase(url, journalOf(keys, now), {
    replica,
    isPooled,
    isCell: cells !== null,
    server,
  });
  // LISTEN holds on to one connection: a pooler in transaction mode is passed by.
  const hints = listenTo(process.env.LISTEN_DATABASE_URL || url, applicationOf(server));
  const app = createApp({
    db,
    now,
    clockSetTo,
    secureCookie: process.env.STENNET_SECURE === '1',
    // Beside this program, wherever it was started from.
    fonts: path.join(path.dirname(path.resolve(process.argv[1] ?? '')), 'fonts'),
    keys,
    hints,
    files: openFiles(process.env),
    cells,
    judgesWaits: process.env.STENNET_TRUST_WAITS !== '1',
    hosts: (process.env.HOSTS ?? '').toLowerCase().split(',').filter(Boolean),
    trustProxy: trustedProxies(process.env.TRUST_PROXY ?? ''),
    setupCode: process.env.SETUP_CODE ?? null,
    ...(process.env.METRICS_TOKEN ? { metricsToken: process.env.METRICS_TOKEN } : {}),
    logLevel: process.env.LOG_LEVEL ?? 'info',
    ...(process.env.WEB_DIR ? { web: process.env.WEB_DIR } : {}),
  });
  const listening = tls ? https.createServer(tls, app) : http.createServer(app);
  listening.on('error', (error: NodeJS.ErrnoException) => {
    console.error(error.code === 'EADDRINUSE' ? `Port ${env('PORT')} is in use.` : error.message);
    process.exit(1);
  });
  // Who neither sends nor takes anything for so long has gone; a stream says every twenty seconds
  // that it is there.
  listening.setTimeout(120_000);
  listening.listen(Number(env('PORT')), process.env.HOST ?? '127.0.0.1', () =>
    console.log('listening'),
  );
  endWith(listening, () => Promise.all([db.close(), hints.close(), cells?.directory.close()]));
}

/** Told to end, or left by the program that started it. */
function endWith(listening: http.Server | https.Server, close: () => Promise<unknown>): void {
  const stop = (): void => {
    listening.close(() => void close().then(() => process.exit(0)));
    listening.closeAllConnections();
    // A database that does not answer keeps no one from ending.
    setTimeout(() => process.exit(0), 5000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  // The program that started this server holds the other end: gone without a word, it is gone for
  // good.
  if (process.env.KEPT) process.stdin.on('end', stop).resume();
}

/** CELL is this one's name; CELLS=a=http://…,b=http://… where each is; DIRECTORY_URL who is where. */
function cellsOf({ CELL: own, CELLS: all = '' }: NodeJS.ProcessEnv): Cells | null {
  if (!own) return null;
  const urls = new Map(
    all.split(',').map((one) => one.split(/=(.*)/s).slice(0, 2) as [string, string]),
  );
  if (!urls.has(own)) throw new Error(`CELLS does not say where cell ${own} is`);
  return {
    own,
    urls,
    directory: openDirectory(env('DIRECTORY_URL')),
    secure: process.env.STENNET_SECURE === '1',
  };
}

/** '1': a proxy on this machine; else the addresses of those that may say who asks. */
const trustedProxies = (given: string): string[] =>
  given === '1' ? ['loopback'] : given.split(',').filter(Boolean);

/** A replica that is away now may come later; a role that sees too much never serves. */
function dangerOnly(error: unknown): void {
  if (error instanceof HarmfulRole) throw error;
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
