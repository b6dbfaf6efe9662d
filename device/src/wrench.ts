import { randomInt, randomUUID } from 'node:crypto';
import http, { type IncomingMessage, type ServerResponse } from 'node:http';
import * as v from 'valibot';
import {
  simulateWrench,
  WRENCH_VERSION,
  WrenchButtonSchema,
  WrenchStateSchema,
  WrenchTaskSchema,
  type WrenchHello,
  type WrenchLive,
  type WrenchPull,
  type WrenchState,
  type WrenchTask,
} from '@stennet/core/trace';
import { page } from './page';

const MOST_BYTES = 4096;
const ALIVE_MS = 15_000;
const LIVE_MS = 50;
/** Wide enough for every stage of the demo world. */
const RANGE: NonNullable<WrenchHello['range']> = {
  min: { value: 5, unit: 'N.m' },
  max: { value: 400, unit: 'N.m' },
};

/**
 * A stand-in for a digital torque wrench: it says on a stream which wrench it is, how it is with
 * it, and what each pull was, as docs/WRENCH.md describes; `POST /turn` is the hand that pulls. It
 * measures nothing, keeps nothing, and every trace says that it is simulated.
 */
export function simulatedWrench(name: string): http.Server {
  const listeners = new Set<ServerResponse>();
  let state: WrenchState = { battery: 100, inReach: true };
  const tell = (to: ServerResponse, event: string, data: unknown): void =>
    void to.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
  const say = (event: string, data: unknown): void => {
    for (const to of listeners) tell(to, event, data);
  };
  const listen = (req: IncomingMessage, res: ServerResponse): void => {
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store',
      ...anyOrigin,
    });
    tell(res, 'wrench', helloOf(name));
    tell(res, 'state', state);
    const alive = setInterval(() => res.write(': alive\n\n'), ALIVE_MS);
    listeners.add(res);
    req.on('close', () => {
      clearInterval(alive);
      listeners.delete(res);
    });
  };
  const commands: Record<string, Command> = {
    'POST /turn': command(WrenchTaskSchema, turnHint, async (task) => {
      const pull = pullOf(task, name);
      if (task.seconds) await playLive(pull, task.seconds, (live) => say('live', live));
      say('pull', pull);
      return { pull, heardBy: listeners.size };
    }),
    'POST /press': command(WrenchButtonSchema, 'Say “short” or “long”.', (pressed) => {
      say('button', pressed);
      return { ...pressed, heardBy: listeners.size };
    }),
    'POST /state': command(WrenchStateSchema, stateHint, (next) => {
      state = next;
      say('state', state);
      return { state, heardBy: listeners.size };
    }),
  };
  const server = http.createServer((req, res) => {
    const way = `${req.method} ${req.url}`;
    const run = commands[way];
    if (way === 'GET /stream') listen(req, res);
    else if (run)
      void run(req, res).catch(() => answer(res, 400, { problem: 'That cannot be read.' }));
    else if (way === 'GET /')
      res
        .writeHead(200, {
          'Content-Type': 'text/html; charset=utf-8',
          'Content-Security-Policy': PAGE_POLICY,
        })
        .end(page(name));
    else answer(res, 404, { problem: 'A wrench has /stream, /turn, /press and /state.' });
  });
  server.on('close', () => listeners.clear());
  return server;
}

const helloOf = (name: string): WrenchHello => ({
  format: 'stennet-wrench',
  v: WRENCH_VERSION,
  name,
  simulated: true,
  range: RANGE,
});
const turnHint = 'Say to which torque in N.m or by how many degrees it is pulled.';
const stateHint = 'Say zeroing, battery, unit or inReach.';

type Command = (req: IncomingMessage, res: ServerResponse) => Promise<void>;
/** Only its own page or a program beside it may do this: no other page that happens to be open. */
const command =
  <S extends v.GenericSchema>(
    schema: S,
    hint: string,
    act: (asked: v.InferOutput<S>) => object | Promise<object>,
  ): Command =>
  async (req, res) => {
    const { origin, host } = req.headers;
    if (origin !== undefined && origin !== `http://${host}`)
      return answer(res, 403, { problem: 'Only the page of this wrench may do that.' });
    const asked = v.safeParse(schema, await jsonOf(req));
    if (!asked.success) return answer(res, 400, { problem: hint });
    answer(res, 200, await act(asked.output));
  };

/** What it reads on the way, as a hand pulls: the curve, stretched over so many seconds. */
async function playLive(
  { trace, turned }: WrenchPull,
  seconds: number,
  say: (live: WrenchLive) => void,
): Promise<void> {
  const count = Math.max(1, Math.round((seconds * 1000) / LIVE_MS));
  const first = trace.angleDeg[0] ?? 0;
  for (let i = 0; i < count; i += 1) {
    const at = Math.floor(((trace.tS.length - 1) * i) / count);
    say({
      torque: { value: Math.max(0, Math.round((trace.torqueNm[at] ?? 0) * 10) / 10), unit: 'N.m' },
      ...(turned ? { turned: Math.min(720, Math.max(0, (trace.angleDeg[at] ?? 0) - first)) } : {}),
    });
    await new Promise((resolve) => setTimeout(resolve, LIVE_MS));
  }
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
