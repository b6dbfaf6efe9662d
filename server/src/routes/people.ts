import type { Express, Request } from 'express';
import type { BodyOf } from '@stennet/core/contract/run';
import {
  isAllowed,
  type Person,
  type Role,
  type SecurityKind,
  type SecurityLine,
  type SessionLine,
} from '@stennet/core/contract';
import { nameKey, nameLook } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { brokenConstraint, onlyRow, type Client } from '../db/database';
import addPerson from '../db/queries/addPerson.sql';
import countOtherLeads from '../db/queries/countOtherLeads.sql';
import endOneSession from '../db/queries/endOneSession.sql';
import forgetPerson from '../db/queries/forgetPerson.sql';
import listPeople from '../db/queries/listPeople.sql';
import listSecurity from '../db/queries/listSecurity.sql';
import listSessions from '../db/queries/listSessions.sql';
import savePerson from '../db/queries/savePerson.sql';
import { assertGoodPassword, hashPassword } from '../http/passwords';
import { assertOwnPassword } from '../http/pins';
import { noteAtDoor } from '../http/securityLog';
import { namesIn, parseBody, register, requirePerson, serve, type Deps } from '../http/serve';
import { hashOf, isSameSession, type Session } from '../http/session';
import { makeCode, spokenCode } from '../http/spokenCode';

const CODE_HOURS = 24;
const LINES = 200;

/**
 * Who works in the shop: added, given another role, leaving, locked out; and what each may do about
 * their own password and sessions.
 */
export function peopleRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'people', async ({ client }) => ({
    people: (await client.query<Person>(listPeople)).rows,
  }));
  register(app, 'addPerson', async (req, res) => {
    const session = await requirePerson(deps, 'addPerson', req);
    const { id, name, password, role, own } = parseBody('addPerson', req) as BodyOf<'addPerson'>;
    if (role === 'lead') await assertAgain(deps, session, own);
    assertGoodPassword(password, [name, session.shop.name]);
    const hash = await hashPassword(password);
    await atWork(deps, req, session, 'personAdded', id, (client) =>
      add(client, { id, name, hash, role }),
    );
    res.json({ ok: true });
  });
  register(app, 'savePerson', async (req, res) => {
    const session = await requirePerson(deps, 'savePerson', req);
    const { person = '' } = namesIn(req);
    const { role, active, own } = parseBody('savePerson', req) as BodyOf<'savePerson'>;
    if (role === 'lead' && active) await assertAgain(deps, session, own);
    await atWork(deps, req, session, 'personChanged', person, (client) =>
      save(client, { person, role, active }, deps.now()),
    );
    res.json({ ok: true });
  });
  passwordRoutes(app, deps);
  sessionsOfPeople(app, deps);
  serve(app, deps, 'security', async ({ client }) => ({
    events: (await client.query<SecurityLine>(listSecurity, [LINES])).rows,
  }));
}

function passwordRoutes(app: Express, deps: Deps): void {
  register(app, 'giveCode', async (req, res) => {
    const session = await requirePerson(deps, 'giveCode', req);
    const { person = '' } = namesIn(req);
    await assertAgain(deps, session, (parseBody('giveCode', req) as BodyOf<'giveCode'>).own);
    const code = makeCode();
    const until = new Date(deps.now().getTime() + CODE_HOURS * 3_600_000);
    await atWork(deps, req, session, 'codeGiven', person, async (client) => {
      const [row] = (
        await client.query<{ given: boolean }>('select give_code($1, $2, $3) as given', [
          person,
          hashOf(spokenCode(code)),
          until,
        ])
      ).rows;
      if (!row?.given) throw new AppError('CODE_ELSEWHERE');
    });
    res.json({ code, hours: CODE_HOURS });
  });
  register(app, 'changePassword', async (req, res) => {
    const session = await requirePerson(deps, 'changePassword', req);
    const { own, password } = parseBody('changePassword', req) as BodyOf<'changePassword'>;
    const known = await assertOwnPassword(deps, session.person.id, own);
    assertGoodPassword(password, [session.person.name, session.shop.name]);
    const hash = await hashPassword(password);
    await atWork(deps, req, session, 'passwordChanged', session.person.id, async (client) => {
      const [row] = (
        await client.query<{ changed: boolean }>('select change_password($1, $2, $3) as changed', [
          session.person.id,
          known,
          hash,
        ])
      ).rows;
      if (!row?.changed) throw new AppError('SIGN_IN_WRONG');
      // Everywhere else whoever knew the old one is out.
      await client.query(
        'select ends_sessions($1, (select token_hash from session where shop = current_shop() and id = $2), $3)',
        [session.person.id, session.id, deps.now()],
      );
    });
    res.json({ ok: true });
  });
}

function sessionsOfPeople(app: Express, deps: Deps): void {
  register(app, 'sessions', async (req, res) => {
    const session = await requirePerson(deps, 'sessions', req);
    const person = ownOrLeads(session, req);
    const rows = await deps.db.inShop(
      session.shop.id,
      async (c) =>
        (
          await c.query<Omit<SessionLine, 'isThis'> & { token_hash: Buffer }>(listSessions, [
            person,
            deps.now(),
          ])
        ).rows,
    );
    res.json({
      sessions: rows.map(({ token_hash, ...line }) => ({
        ...line,
        isThis: isSameSession(req, token_hash),
      })),
    });
  });
  register(app, 'endSessions', async (req, res) => {
    const session = await requirePerson(deps, 'endSessions', req);
    const person = ownOrLeads(session, req);
    await atWork(deps, req, session, 'sessionEnded', person, async (client) => {
      for (const { id } of (await client.query<SessionLine>(listSessions, [person, deps.now()]))
        .rows)
        if (id !== session.id) await client.query(endOneSession, [id, person, deps.now()]);
    });
    res.json({ ok: true });
  });
  register(app, 'endSession', async (req, res) => {
    const session = await requirePerson(deps, 'endSession', req);
    const person = ownOrLeads(session, req);
    await atWork(deps, req, session, 'sessionEnded', person, async (client) => {
      onlyRow(
        (await client.query(endOneSession, [namesIn(req).session, person, deps.now()])).rows,
        new AppError('NOT_FOUND'),
      );
    });
    res.json({ ok: true });
  });
}

/** Everybody their own; those of others only whoever looks after the shop. */
function ownOrLeads(session: Session, req: Request): string {
  const { person = '' } = namesIn(req);
  if (person !== session.person.id && !isAllowed(session.role, 'shop.write'))
    throw new AppError('FORBIDDEN', { role: session.role });
  return person;
}

/** What is done to a person, with its line in the log of the door: both or neither. */
function atWork(
  deps: Deps,
  req: Request,
  session: Session,
  kind: SecurityKind,
  about: string,
  work: (client: Client) => Promise<void>,
): Promise<void> {
  return deps.db.inShop(session.shop.id, async (client) => {
    await work(client);
    await noteAtDoor(client, req, {
      shop: session.shop.id,
      now: deps.now(),
      kind,
      person: session.person.id,
      about,
    });
  });
}

/**
 * A phone that somebody left on opens no door: the password once more.
 * @throws AppError PASSWORD_NEEDED
 */
export async function assertAgain(
  deps: Deps,
  session: Session,
  own: string | undefined,
): Promise<void> {
  if (own === undefined) throw new AppError('PASSWORD_NEEDED', { name: session.person.name });
  await assertOwnPassword(deps, session.person.id, own);
}

async function add(
  client: Client,
  { id, name, hash, role }: { id: string; name: string; hash: string; role: Role },
): Promise<void> {
  const taken = new AppError('NAME_TAKEN', { name });
  try {
    const [row] = (
      await client.query<{ added: boolean }>(addPerson, [
        id,
        name,
        nameKey(name),
        nameLook(name),
        hash,
        role,
      ])
    ).rows;
    if (!row?.added) throw taken;
  } catch (error) {
    throw brokenConstraint(error) ? taken : error;
  }
}

/**
 * The shop is never left without a lead. Who leaves is out at once; what they confirmed before
 * stays theirs.
 */
async function save(
  client: Client,
  { person, role, active }: { person: string; role: Role; active: boolean },
  now: Date,
): Promise<void> {
  const others = (await client.query<{ n: number }>(countOtherLeads, [person])).rows[0]?.n ?? 0;
  if (others === 0 && !(role === 'lead' && active)) throw new AppError('LAST_LEAD');
  onlyRow((await client.query(savePerson, [person, role, active])).rows, new AppError('NOT_FOUND'));
  if (active) return;
  await client.query(forgetPerson, [person]);
  for (const { id } of (await client.query<SessionLine>(listSessions, [person, now])).rows)
    await client.query(endOneSession, [id, person, now]);
}
