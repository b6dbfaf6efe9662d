import * as v from 'valibot';
import { convert } from '@stennet/core/quantity';
import {
  AnyHelloSchema,
  WRENCH_VERSION,
  WrenchButtonSchema,
  WrenchHelloSchema,
  WrenchLiveSchema,
  WrenchPullSchema,
  WrenchStateSchema,
} from '@stennet/core/trace';

export interface Found {
  what: string;
  fault: string | null;
}

const HELLO_MS = 5_000;

/**
 * Whether a program speaks the protocol of docs/WRENCH.md: how it answers, which wrench it says it
 * is, and one pull.
 * @param onReady the pull may come now
 * @param waitMs how long the pull is waited for
 */
export async function conformance(
  url: string,
  onReady: () => void,
  waitMs: number,
): Promise<Found[]> {
  const found: Found[] = [];
  const say = (what: string, fault: string | null): void => void found.push({ what, fault });
  const aborted = new AbortController();
  const reply = await fetch(`${url}/stream`, { signal: aborted.signal }).catch(() => null);
  if (!reply?.body) return [{ what: 'it answers', fault: `Nothing answers at ${url}/stream.` }];
  const kind = reply.headers.get('content-type') ?? '';
  const origin = reply.headers.get('access-control-allow-origin');
  say('it streams events', kind.startsWith('text/event-stream') ? null : `It says “${kind}”.`);
  say('a page may hear it', origin === '*' ? null : 'Access-Control-Allow-Origin: * is missing.');
  const events = eventsIn(reply.body);
  const hello = await within(events.next(), HELLO_MS);
  say(
    'it says first which wrench it is',
    hello?.done === false ? helloFault(hello.value) : 'It says nothing within 5 s.',
  );
  onReady();
  const { pulls, faults } = await pullsFrom(events, waitMs);
  aborted.abort();
  for (const [event, fault] of faults) say(`“${event}” is as it should be`, fault);
  say('one pull is heard', pulls.length > 0 ? null : 'No pull came.');
  for (const one of pulls) say('the pull is as it should be', pullFault(one));
  return found;
}

interface Said {
  event: string;
  data: unknown;
}

function helloFault({ event, data }: Said): string | null {
  if (event !== 'wrench') return `It says “${event}” first.`;
  const any = v.safeParse(AnyHelloSchema, data);
  return any.success && any.output.v !== WRENCH_VERSION
    ? `It speaks version ${any.output.v}; this Stennet speaks version ${WRENCH_VERSION}.`
    : faultOf(WrenchHelloSchema, data);
}

function pullFault(data: unknown): string | null {
  const pull = v.safeParse(WrenchPullSchema, data);
  if (!pull.success) return faultOf(WrenchPullSchema, data);
  const { peak, trace } = pull.output;
  const said = convert(peak, 'N.m');
  const seen = Math.max(...trace.torqueNm);
  return Math.abs(said - seen) <= 0.05 * Math.max(said, seen)
    ? null
    : `Its peak is ${said.toFixed(1)} N·m, but its trace goes up to ${seen.toFixed(1)} N·m. Check the units.`;
}

function faultOf(schema: v.GenericSchema, data: unknown): string | null {
  const parsed = v.safeParse(schema, data);
  if (parsed.success) return null;
  const [issue] = parsed.issues;
  return `${v.getDotPath(issue) ?? 'It'}: expected ${issue.expected ?? issue.message}, got ${issue.received}.`;
}

const BESIDE: Readonly<Record<string, v.GenericSchema>> = {
  button: WrenchButtonSchema,
  state: WrenchStateSchema,
  live: WrenchLiveSchema,
};

/** The first pull, and what is wrong with anything else that is said meanwhile. */
async function pullsFrom(
  events: AsyncGenerator<Said>,
  waitMs: number,
): Promise<{ pulls: unknown[]; faults: Map<string, string | null> }> {
  const until = Date.now() + waitMs;
  const faults = new Map<string, string | null>();
  for (;;) {
    const next = await within(events.next(), Math.max(1, until - Date.now()));
    if (!next || next.done) return { pulls: [], faults };
    const { event, data } = next.value;
    if (event === 'pull') return { pulls: [data], faults };
    const schema = BESIDE[event];
    // What it says beyond this version is its own.
    if (schema) faults.set(event, faults.get(event) ?? faultOf(schema, data));
  }
}

const within = <T>(promise: Promise<T>, ms: number): Promise<T | null> =>
  Promise.race([
    promise,
    new Promise<null>((resolve) => setTimeout(() => resolve(null), ms).unref()),
  ]);

async function* eventsIn(body: ReadableStream<Uint8Array>): AsyncGenerator<Said> {
  const reader = body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  try {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      const parts = (rest + value).split(/\r?\n\r?\n/);
      rest = parts.pop() ?? '';
      for (const part of parts) {
        const said = eventOf(part);
        if (said) yield said;
      }
    }
  } catch {
    // Closed by us.
  }
}

function eventOf(part: string): Said | null {
  const field = (name: string): string =>
    part
      .split(/\r?\n/)
      .filter((l) => l.startsWith(`${name}:`))
      .map((l) => l.slice(name.length + 1).trimStart())
      .join('\n');
  const data = field('data');
  if (!data) return null;
  try {
    return { event: field('event') || 'message', data: JSON.parse(data) };
  } catch {
    return { event: field('event') || 'message', data };
  }
}
