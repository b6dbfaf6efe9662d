// What one person does to keep others waiting, and how long another waits in the meantime; and what
// strangers make the server grow by.
import fs from 'node:fs';
import net from 'node:net';
import { gzipSync } from 'node:zlib';

const FLOOD = 60;
const rss = (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1000;

/** @param pid of the server that answers at url */
export async function measureStalls(url, pid) {
  const [busy, other] = [await signIn(url, 'Ines Corte'), await signIn(url, 'Mei Sandoval')];
  const grown = await flood(url, pid);
  const take = (body) =>
    fetch(`${url}/api/foreign`, {
      method: 'POST',
      headers: { Origin: url, Cookie: busy, 'Content-Type': 'application/octet-stream' },
      body,
    });
  const long = JSON.stringify({
    format: 'stennet-record',
    v: 1,
    chain: Array.from({ length: 30_000 }, () => ({
      body: '{}'.repeat(50),
      hash: '0'.repeat(64),
      seal: '',
    })),
  });
  const waits = {
    nothing: await waitsWhile(
      url,
      other,
      () => new Promise((resolve) => setTimeout(resolve, 2000)),
    ),
  };
  waits['a nested record of 50 MB'] = await waitsWhile(url, other, () =>
    take(Buffer.from('['.repeat(50_000_000))),
  );
  waits['a record of 30,000 entries, three times'] = await waitsWhile(url, other, () =>
    Promise.all([1, 2, 3].map(() => take(long))),
  );
  waits['12 exports that no one reads'] = await waitsWhile(url, other, () => unread(url, busy));
  return { grown, waits };
}

async function signIn(url, name) {
  const reply = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: url },
    body: JSON.stringify({ name, password: 'witness-mark' }),
  });
  return reply.headers
    .getSetCookie()
    .find((c) => c.startsWith('stennet_session='))
    .split(';')[0];
}

/** Packed bodies from someone who is not signed in. @returns MB that the server grew by at most */
async function flood(url, pid) {
  const before = rss(pid);
  const body = gzipSync(Buffer.alloc(57_000_000, 'a'));
  let most = before;
  const watch = setInterval(() => (most = Math.max(most, rss(pid))), 20);
  const one = () =>
    fetch(`${url}/api/foreign`, {
      method: 'POST',
      headers: { Origin: url, 'Content-Encoding': 'gzip' },
      body,
    }).catch(() => undefined);
  await Promise.all(Array.from({ length: FLOOD }, one));
  clearInterval(watch);
  return most - before;
}

/** ms that another person's request takes while something goes on. */
async function waitsWhile(url, cookie, work) {
  const taken = [];
  let isOver = false;
  const done = work().finally(() => (isOver = true));
  while (!isOver || taken.length < 20) {
    const from = performance.now();
    await fetch(`${url}/api/me`, { headers: { Cookie: cookie } }).then((r) => r.text());
    taken.push(performance.now() - from);
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  await done;
  taken.sort((a, b) => a - b);
  return { p95: taken[Math.floor(taken.length * 0.95)], worst: taken.at(-1), asked: taken.length };
}

async function unread(url, cookie) {
  const { hostname, port } = new URL(url);
  const sockets = Array.from({ length: 12 }, () => {
    const socket = net.connect(Number(port), hostname);
    socket.on('error', () => undefined);
    socket.pause();
    socket.write(
      `GET /api/library/export?form=json HTTP/1.1\r\nHost: ${hostname}:${port}\r\nCookie: ${cookie}\r\n\r\n`,
    );
    return socket;
  });
  await new Promise((resolve) => setTimeout(resolve, 3000));
  for (const socket of sockets) socket.destroy();
}

export function renderStalls({ grown, waits }) {
  const { nothing, ...rest } = waits;
  const row = (name, w) =>
    `| ${name} | ${w.p95.toFixed(0)} | ${(w.p95 / nothing.p95).toFixed(1)} × | ${w.worst.toFixed(0)} | ${w.asked} |`;
  return [
    '## While someone keeps the server busy',
    '',
    `Another person's requests repeat in the meantime. ${FLOOD} compressed bodies of 57 MB each, sent without a sign-in, made the server's memory grow by ${grown.toFixed(0)} MB.`,
    '',
    '| load | p95 (ms) | against no load | worst (ms) | requests |',
    '| --- | --- | --- | --- | --- |',
    row('nothing', nothing),
    ...Object.entries(rest).map(([name, w]) => row(name, w)),
    '',
  ];
}
