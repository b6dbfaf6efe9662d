import type { Express, Request } from 'express';
import { AppError } from '@stennet/core/errors';
import { canonicalJson } from '@stennet/core/record';
import { StatementSchema, type Statement } from '@stennet/core/run';
import type { Say } from '@stennet/core/contract/work';
import * as v from 'valibot';
import { onlyRow, type Client } from '../db/database';
import { findPin, savePin } from '../db/people';
import { forgetGuesses } from '../db/sessions';
import { findRun, insertStatement, listStatements } from '../db/runs';
import { hashPassword } from '../http/passwords';
import { assertOwnPassword, assertPin, pinKey } from '../http/pins';
import { noteAtDoor } from '../http/securityLog';
import { parseBody, register, requirePerson, serve, namesIn, type Deps } from '../http/serve';
import type { Session } from '../http/session';

/**
 * What a lead says of a run: signed in themselves, or with their PIN on the device in front of
 * them.
 */
export function statementRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'statements', async ({ client, params }) => {
    onlyRow(await findRun(client, params.run), new AppError('RUN_UNKNOWN'));
    return { statements: await statementsOf(client, params.run ?? '') };
  });

  register(app, 'sayStatement', async (req: Request, res) => {
    const session = await requirePerson(deps, 'sayStatement', req);
    const { run = '' } = namesIn(req);
    const body = parseBody('sayStatement', req) as Said;
    await deps.db.inShop(session.shop.id, async (client) =>
      onlyRow(await findRun(client, run), new AppError('RUN_UNKNOWN')),
    );
    // Counted outside the transaction that may be rolled back.
    if (body.say.kind === 'note') assertOwnNote(session, body);
    else await assertLead(deps, req, session, body);
    const role = body.say.kind === 'note' && session.role !== 'lead' ? 'technician' : 'lead';
    const statement = await deps.db.inShop(
      session.shop.id,
      (client) => keep(client, session.shop.id, run, { ...body, role }, deps.now()),
      () => `run:${run}`,
    );
    res.json({ statement });
  });

  register(app, 'setPin', async (req, res) => {
    const session = await requirePerson(deps, 'setPin', req);
    const { pin, password } = parseBody('setPin', req) as { pin: string; password: string };
    if (!isGoodPin(pin)) throw new AppError('PIN_FORM');
    await assertOwnPassword(deps, session.person.id, password);
    const hash = await hashPassword(pin);
    await deps.db.inShop(session.shop.id, async (client) => {
      await savePin(client, session.shop.id, session.person.id, hash, deps.now());
      // Guesses at the PIN before say nothing of the new one.
      await forgetGuesses(client, pinKey(session.shop.id, session.person.id));
      await noteAtDoor(client, req, {
        shop: session.shop.id,
        now: deps.now(),
        kind: 'pinSet',
        person: session.person.id,
      });
    });
    res.json({ ok: true });
  });
}

interface Said {
  id: string;
  lead: string;
  pin: string | null;
  device: string;
  text?: string;
  say: Say;
}

async function statementsOf(client: Client, run: string): Promise<Statement[]> {
  return (await listStatements(client, run)).map((r) =>
    v.parse(StatementSchema, JSON.parse(r.body)),
  );
}

async function keep(
  client: Client,
  shop: string,
  run: string,
  { id, lead, role, text, say }: Said & { role: 'lead' | 'technician' },
  now: Date,
): Promise<Statement> {
  const known = (await statementsOf(client, run)).find((s) => s.id === id);
  if (known) return known;
  const statement = v.parse(StatementSchema, {
    id,
    person: lead,
    role,
    at: now.toISOString(),
    ...(text ? { text } : {}),
    ...say,
  });
  await insertStatement(client, shop, id, run, lead, canonicalJson(statement), now);
  return statement;
}

/** A note is said in the writer's own name, and says something. */
function assertOwnNote(session: Session, { lead, text }: Said): void {
  if (lead !== session.person.id) throw new AppError('WRONG_PERSON');
  if (!text?.trim()) throw new AppError('WORD_EMPTY');
}

/** @throws AppError NOT_LEAD, PIN_NONE, PIN_WRONG, PIN_LIMITED */
async function assertLead(
  deps: Deps,
  req: Request,
  session: Session,
  { lead, pin }: Said,
): Promise<void> {
  if (pin === null) {
    if (session.role !== 'lead' || session.person.id !== lead) throw new AppError('NOT_LEAD');
    return;
  }
  const row = await deps.db.inShop(session.shop.id, async (client) =>
    onlyRow(await findPin(client, lead), new AppError('NOT_LEAD')),
  );
  if (row.role !== 'lead') throw new AppError('NOT_LEAD');
  await assertPin(
    deps,
    req,
    {
      shop: session.shop.id,
      person: lead,
      name: row.name,
      hash: row.hash,
      from: session.person.id,
      by: session.person.id,
    },
    pin,
  );
}

/** Neither one digit over and over nor a row of them. */
function isGoodPin(pin: string): boolean {
  if (!/^\d{4,8}$/.test(pin)) return false;
  const steps = new Set([...pin].slice(1).map((d, i) => Number(d) - Number(pin[i])));
  return !(steps.size === 1 && [0, 1, -1].includes([...steps][0] ?? 9));
}
