import type { Express } from 'express';
import { countStream } from '../http/metrics';
import { register, requirePerson, type Deps } from '../http/serve';
import { requireSession } from '../http/session';
import type { Topic } from '../db/hints';

const BEAT_MS = 20_000;
/** Then the browser asks again by itself, and is let in again only if it still may. */
const LONGEST_MS = 10 * 60_000;
/** What came in the same moment is said once. */
const GATHER_MS = 60;

/**
 * One stream for a browser (server-sent events): topics that have changed. Without it the app asks
 * from time to time.
 */
export function streamRoutes(app: Express, deps: Deps): void {
  register(app, 'stream', async (req, res) => {
    const session = await requirePerson(deps, 'stream', req);
    res.set({
      'Content-Type': 'text/event-stream; charset=utf-8',
      'Cache-Control': 'no-store, no-transform',
      Connection: 'keep-alive',
      'X-Accel-Buffering': 'no',
    });
    res.flushHeaders();
    res.write('retry: 2000\nevent: hello\ndata: {}\n\n');
    const topics = new Set<Topic>();
    let gather: ReturnType<typeof setTimeout> | undefined;
    const send = (): void => {
      gather = undefined;
      for (const topic of topics) res.write(`data: ${topic}\n\n`);
      topics.clear();
    };
    const stop = deps.hints.subscribe(session.shop.id, (topic) => {
      topics.add(topic);
      gather ??= setTimeout(send, GATHER_MS);
    });
    // Signed out, put out or asleep: it ends with the session.
    const beat = setInterval(() => {
      requireSession(deps.db, req, deps.now()).then(
        () => res.write(': still here\n\n'),
        () => res.end(),
      );
    }, BEAT_MS);
    const end = setTimeout(() => res.end(), LONGEST_MS);
    countStream(1);
    res.on('close', () => {
      countStream(-1);
      stop();
      clearInterval(beat);
      clearTimeout(end);
      clearTimeout(gather);
    });
  });
}
