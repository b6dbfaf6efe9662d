import { randomInt, randomUUID } from 'node:crypto';
import http, { type IncomingMessage, type ServerResponse } from 'node:http';
import * as v from 'valibot';
import {
  simulateWrench,
  WrenchButtonSchema,
  WrenchTaskSchema,
  type WrenchHello,
  type WrenchPull,
  type WrenchTask,
} from '@stennet/core/trace';
import { page } from './page';

const MOST_BYTES = 4096;
const ALIVE_MS = 15_000;

/**
 * A stand-in for a digital torque wrench: it says on a stream which wrench it is and what each pull
 * was, as docs/WRENCH.md describes; `POST /turn` is the hand that pulls. It measures nothing, keeps
 * nothing, and every trace says that it is simulated.
 */
export function simulatedWrench(name: string): http.Server {
  const listeners = new Set<ServerResponse>();
  const hello: WrenchHello = { format: 'stennet-wrench', v: 1, name, simulated: true };
  const say = (to: ServerResponse, event: string, data: unknown): void =>
    void to.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
  const listen = (req: IncomingMessage, res: ServerResponse): void => {
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store',
      ...anyOrigin,
    });
    say(res, 'wrench', hello);
    const alive = setInterval(() => res.write(': alive\n\n'), ALIVE_MS);
    listeners.add(res);
    req.on('close', () => {
      clearInterval(alive);
      listeners.delete(res);
    });
  };
  const turn = async (req: IncomingMessage, res: ServerResponse): Promise<void> => {
    // Only its own page or a program beside it pulls: no other page that happens to be open.
    if (req.headers.origin !== undefined && req.headers.origin !== `http://${req.headers.host}`)
      return answer(res, 403, { problem: 'Only the page of this wrench may pull it.' });
    const task = v.safeParse(WrenchTaskSchema, await jsonOf(req));
    if (!task.success)
      return answer(res, 400, {
        problem: 'Say to which torque in N.m or by how many degrees it is pulled.',
      });
    const pull = pullOf(task.output, name);
    for (const to of listeners) say(to, 'pull', pull);
    answer(res, 200, { pull, heardBy: listeners.size });
  };
  const press = async (req: IncomingMessage, res: ServerResponse): Promise<void> => {
    if (req.headers.origin !== undefined && req.headers.origin !== `http://${req.headers.host}`)
      return answer(res, 403, { problem: 'Only the page of this wrench may press its button.' });
    const pressed = v.safeParse(WrenchButtonSchema, await jsonOf(req));
    if (!pressed.success) return answer(res, 400, { problem: 'Say “short” or “long”.' });
    for (const to of listeners) say(to, 'button', pressed.output);
    answer(res, 200, { ...pressed.output, heardBy: listeners.size });
  };
  const server = http.createServer((req, res) => {
    const way = `${req.method} ${req.url}`;
    if (way === 'GET /stream') listen(req, res);
    else if (way === 'POST /turn')
      void turn(req, res).catch(() => answer(res, 400, { problem: 'That cannot be read.' }));
    else if (way === 'POST /press')
      void press(req, res).catch(() => answer(res, 400, { problem: 'That cannot be read.' }));
    else if (way === 'GET /')
      res
        .writeHead(200, {
          'Content-Type': 'text/html; charset=utf-8',
          'Content-Security-Policy': PAGE_POLICY,
        })
        .end(page(name));
    else answer(res, 404, { problem: 'A wrench has /stream, /turn and /press.' });
  });
  server.on('close', () => listeners.clear());
  return server;
}

const anyOrigin = { 'Access-Control-Allow-Origin': '*' };
const PAGE_POLICY =
  "default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; connect-src 'self'; form-action 'none'";

function pullOf(task: WrenchTask, name: string): WrenchPull {
  const { peakNm, turnedDeg, trace } = simulateWrench(
    task,
    task.seed ?? randomInt(2 ** 32 - 1),
    name,
  );
  const turned = turnedDeg === null ? {} : { turned: { value: turnedDeg, unit: 'deg' as const } };
  return {
    id: randomUUID(),
    peak: { value: Math.round(peakNm * 10) / 10, unit: 'N.m' },
    ...turned,
    trace,
  };
}

async function jsonOf(req: IncomingMessage): Promise<unknown> {
  let text = '';
  for await (const piece of req) {
    text += String(piece);
    if (text.length > MOST_BYTES) throw new Error('too long');
  }
  return JSON.parse(text);
}

function answer(res: ServerResponse, status: number, body: unknown): void {
  res
    .writeHead(status, { 'Content-Type': 'application/json; charset=utf-8' })
    .end(JSON.stringify(body));
}
