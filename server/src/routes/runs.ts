import type { Express, Request } from 'express';
import { AppError } from '@stennet/core/errors';
import { type Sheet } from '@stennet/core/procedure';
import { runName, type Appended } from '@stennet/core/contract';
import { onlyRow } from '../db/database';
import { findRun } from '../db/runs';
import { listPeople } from '../db/people';
import { countKept } from '../http/metrics';
import { inItsShop, register, serve, shelfFor, type Deps } from '../http/serve';
import { jointWithSheet, orderLabel } from '../order/findOrder';
import { storedEvents, append } from '../run/append';
import { appendingAtOnce } from '../run/appendAtOnce';

export function runRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'run', async ({ client, params, session }) => {
    const run = onlyRow(await findRun(client, params.run), new AppError('RUN_UNKNOWN'));
    const joint = await jointWithSheet(client, run.joint);
    const events = (await storedEvents(client, shelfFor(deps, session), params.run ?? '')).map(
      (s) => s.stored.event,
    );
    const people = Object.fromEntries((await listPeople(client)).map((p) => [p.id, p.name]));
    return {
      id: params.run ?? '',
      joint: run.joint,
      order: {
        ...orderLabel(joint),
        joint: runName(joint, { part: run.part, instance: run.instance || null }),
      },
      sheet: JSON.parse(run.sheet) as Sheet,
      sheetHash: run.sheet_hash,
      supersededBy: run.superseded_by,
      events,
      people,
      headHash: run.head_hash,
    };
  });
  const inTurn = inItsShop(deps, 'appendRunEvents', async (call) =>
    told(call.req, await append(call)),
  );
  const atOnce = appendingAtOnce(deps);
  register(app, 'appendRunEvents', async (req, res, next) => {
    const reply = await atOnce(req);
    if (reply) res.json(told(req, reply));
    else await inTurn(req, res, next);
  });
}

/** An entry has its id from the press on: by it the log tells of its way to the row. */
function told(req: Request, reply: Appended): Appended {
  const events = reply.stored.map((s) => s.id);
  countKept(events.length);
  req.log.info({ run: req.params.run, events, refused: reply.refused?.code }, 'stored');
  return reply;
}
