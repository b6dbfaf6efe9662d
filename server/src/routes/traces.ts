import type { Express } from 'express';
import { AppError } from '@stennet/core/errors';
import { canonicalJson, traceName } from '@stennet/core/record';
import { TraceSchema, type Trace } from '@stennet/core/trace';
import * as v from 'valibot';
import { onlyRow, type Client } from '../db/database';
import { findTraces, insertTrace } from '../db/traces';
import { traceFile, type Shelf } from '../files/files';
import { serve, shelfFor, type Deps } from '../http/serve';

/**
 * What digital wrenches saw of pulls. Kept once, never changed; the pull that it belongs to names
 * it by its hash.
 */
export function traceRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'keepTrace', async ({ client, session, params, body }) => {
    // From another program a trace may come with fields in another order: its name is that of its
    // canonical form.
    if (traceName(body) !== params.trace) throw new AppError('TRACE_BROKEN');
    const shelf = shelfFor(deps, session);
    const text = canonicalJson(body);
    await shelf?.put(traceFile(params.trace ?? ''), Buffer.from(text));
    await insertTrace(
      client,
      session.shop.id,
      params.trace,
      shelf ? null : text,
      session.person.id,
      deps.now(),
    );
    return { ok: true };
  });

  serve(app, deps, 'trace', async ({ client, session, params, res }) => {
    const name = params.trace ?? '';
    const found = (await tracesOf(client, shelfFor(deps, session), [name])).get(name);
    // The address is the content: it never becomes another one.
    res.set('Cache-Control', 'private, max-age=31536000, immutable');
    return onlyRow(found ? [found] : [], new AppError('NOT_FOUND'));
  });
}

/** Those of the named traces that are kept and still are what their name says. */
export async function tracesOf(
  client: Client,
  shelf: Shelf | null,
  names: readonly string[],
): Promise<Map<string, Trace>> {
  const rows = names.length === 0 ? [] : await findTraces(client, names);
  const found = new Map<string, Trace>();
  for (const { trace, body } of rows) {
    const text = body ?? (await shelf?.get(traceFile(trace)))?.toString('utf8');
    const parsed = v.safeParse(TraceSchema, text === undefined ? null : JSON.parse(text));
    if (parsed.success && traceName(parsed.output) === trace) found.set(trace, parsed.output);
  }
  return found;
}
