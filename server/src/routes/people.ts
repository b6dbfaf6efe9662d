import type { Express, Request } from 'express';
import type { BodyOf } from '@stennet/core/contract/work';
import { isAllowed, type Role, type SecurityKind } from '@stennet/core/contract';
import { nameKey, nameLook } from '@stennet/core/contract';
import { AppError } from '@stennet/core/errors';
import { brokenConstraint, type Client } from '../db/database';
import {
  addPerson,
  countOtherLeads,
  forgetPerson,
  listPeople,
  listSecurity,
  savePerson,
} from '../db/people';
import { endOneSession, listSessions } from '../db/sessions';
import { claimName } from '../http/cells';
import { assertGoodPassword, hashPassword } from '../http/passwords';
import { assertOwnPassword } from '../http/pins';
import { noteAtDoor } from '../http/securityLog';
import { namesIn, parseBody, register, requirePerson, serve, type Deps } from '../http/serve';
import { hashOf, isSameSession, type Session } from '../http/session';
import { makeCode, spokenCode } from '../http/spokenCode';
import { changePassword, endOtherSessions, giveCode } from '../db/door';

const CODE_HOURS = 24;
const LINES = 200;

/**
 * Who works in the shop: added, given another role, leaving, locked out; and what each may do about
 * their own password and sessions.
 */
export function peopleRoutes(app: Express, deps: Deps): void {
  serve(app, deps, 'people', async ({ client }) => ({
    people: await listPeople(client),
  }));
  register(app, 'addPerson', async (req, res) => {
    const session = await requirePerson(deps, 'addPerson', req);
    const { id, name, password, role, own } = parseBody('addPerson', req) as BodyOf<'addPerson'>;
    if (role === 'lead') await assertAgain(deps, session, own);
    assertGoodPassword(password, [name, session.shop.name]);
    const hash = await hashPassword(password);
    await claimName(deps.cells, name);
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
    events: await listSecurity(client, LINES),
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
      const [row] = await giveCode(client, person, hashOf(spokenCode(code)), until);
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
      const [row] = await changePassword(client, session.person.id, known, hash);
      if (!row?.given) throw new AppError('SIGN_IN_WRONG');
      // Anyone who knew the old one is signed out everywhere else.
      await endOtherSessions(client, session.person.id, session.id, deps.now());
    });
    res.json({ ok: true });
  });
}

function sessionsOfPeople(app: Express, deps: Deps): void {
  register(app, 'sessions', async (req, res) => {
    const session = await requirePerson(deps, 'sessions', req);
    const person = ownOrLeads(session, req);
    const rows = await deps.db.lookInShop(
      session.shop.id,
      async (c) => await listSessions(c, person, deps.now()),
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
      for (const { id } of await listSessions(client, person, deps.now()))
        if (id !== session.id) await endOneSession(client, id, person, deps.now());
    });
    res.json({ ok: true });
  });
  register(app, 'endSession', async (req, res) => {
    const session = await requirePerson(deps, 'endSession', req);
    const person = ownOrLeads(session, req);
    await atWork(deps, req, session, 'sessionEnded', person, async (client) => {
      const ended = await endOneSession(client, namesIn(req).session, person, deps.now());
      if (ended === 0) throw new AppError('NOT_FOUND');
    });
    res.json({ ok: true });
  });
}

/** Everyone may change their own; a lead may change those of others. */
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
 * A phone that someone left on opens no door: the password once more.
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
    const [row] = await addPerson(client, id, name, nameKey(name), nameLook(name), hash, role);
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
  const others = (await countOtherLeads(client, person))[0]?.n ?? 0;
  if (others === 0 && !(role === 'lead' && active)) throw new AppError('LAST_LEAD');
  if ((await savePerson(client, person, role, active)) === 0) throw new AppError('NOT_FOUND');
  if (active) return;
  await forgetPerson(client, person);
  for (const { id } of await listSessions(client, person, now))
    await endOneSession(client, id, person, now);
}
