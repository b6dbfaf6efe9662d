import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Express } from 'express';
import pg from 'pg';
import request from 'supertest';
import { canonicalJson, sha256Hex } from '@stennet/core/record';
import { headSheet, Technician, type Place } from '@stennet/core/testing';
import type { RunEvent } from '@stennet/core/run';
import { wrenchesOf, type ShopTool } from '@stennet/core/prepare';
import type { Wrench } from '@stennet/core/quantity';
import { createApp, type AppOptions } from '../src/app';
import { listenTo, type Hints } from '../src/db/hints';
import { connected } from '../src/db/connection';
import { migrate } from '../src/db/migrate';
import { guardTables } from '../src/journal/guarded';
import { journalOf } from '../src/journal/journal';
import { keysIn, type Keys } from '../src/keys/keys';
import { openDatabase, type Database } from '../src/db/database';

type Urls = Record<'admin' | 'owner' | 'app', string>;
/** The database that each file of tests gets a copy of. */
const template = JSON.parse(process.env.TEST_DATABASE_URLS ?? '{}') as Urls;
const at = (url: string, database: string): string =>
  Object.assign(new URL(url), { pathname: `/${database}` }).href;
export const demoId = (n: number): string =>
  `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
export const HALDEN = demoId(1);
export const TERN = demoId(2);
/** What the phone of these tests holds runs with. */
export const HOLD_KEY = 'k'.repeat(43);
export const ORIGIN = 'http://shop.test';

/** What was tried against the server and held, for the end of `./stennet test`. */
export function noteHeld(what: string, count: number): void {
  const folder = path.resolve(__dirname, '../../test-results');
  fs.mkdirSync(folder, { recursive: true });
  fs.appendFileSync(path.join(folder, 'held.txt'), `${count} ${what}\n`);
}

/** Each house goes on from where the template was sealed, by itself. */
function ownCopy(keys: string): string {
  const own = fs.mkdtempSync(path.join(os.tmpdir(), 'stennet-keys-'));
  fs.cpSync(keys, own, { recursive: true });
  return own;
}

async function makeDatabase(name: string, how: string): Promise<void> {
  const maker = new pg.Client({ connectionString: at(template.admin, 'postgres') });
  await maker.connect();
  await maker.query(`create database ${name} ${how}`);
  await maker.end();
}

/** A database of the owner's, with nothing in it. @returns its addresses */
export async function emptyDatabase(name: string): Promise<Urls> {
  await makeDatabase(name, 'owner stennet_owner');
  const admin = new pg.Client({ connectionString: at(template.admin, name) });
  await admin.connect();
  await admin.query(
    'alter schema public owner to stennet_owner; grant usage on schema public to stennet_app, stennet_door',
  );
  await admin.end();
  return {
    admin: at(template.admin, name),
    owner: at(template.owner, name),
    app: at(template.app, name),
  };
}

async function makeEmpty(name: string, owner: string): Promise<void> {
  await emptyDatabase(name);
  await migrate(owner, path.resolve(__dirname, '../migrations'));
  await connected(owner, guardTables);
}

/** A server on a database of its own; its clock can be set. */
export class House {
  clock = new Date('2026-11-24T10:00:00Z');
  private readonly database = `test_${process.pid}_${Math.floor(Math.random() * 1e9)}`;
  readonly urls: Urls = {
    admin: at(template.admin, this.database),
    owner: at(template.owner, this.database),
    app: at(template.app, this.database),
  };
  readonly keys: Keys;
  readonly db: Database;
  readonly hints: Hints = listenTo(this.urls.app);
  readonly options: AppOptions;
  readonly app: Express;
  readonly admin = new pg.Client({ connectionString: this.urls.admin });
  private made = 0;

  constructor({
    files = null,
    cells = null,
    keys = keysIn(ownCopy(process.env.TEST_KEY_DIR ?? '')),
  }: Partial<Pick<AppOptions, 'files' | 'cells' | 'keys'>> = {}) {
    this.keys = keys;
    this.db = openDatabase(
      this.urls.app,
      journalOf(this.keys, () => this.clock),
      { isCell: cells !== null },
    );
    this.options = {
      db: this.db,
      now: () => this.clock,
      clockSetTo: null,
      secureCookie: false,
      hosts: ['shop.test'],
      logLevel: 'silent',
      fonts: path.resolve(__dirname, '../dist/fonts'),
      keys: this.keys,
      hints: this.hints,
      files,
      cells,
      judgesWaits: true,
      setupCode: 'first-visit',
    };
    this.app = createApp(this.options);
  }

  /** @param isEmpty without the demo world: only the tables */
  async open({ isEmpty = false } = {}): Promise<this> {
    if (isEmpty) await makeEmpty(this.database, this.urls.owner);
    else await makeDatabase(this.database, `template ${new URL(template.admin).pathname.slice(1)}`);
    await this.admin.connect();
    await this.admin.query('truncate guess');
    return this;
  }

  async close(): Promise<void> {
    await this.admin.end();
    await this.hints.close();
    await this.db.close();
    fs.rmSync(this.keys.folder, { recursive: true, force: true });
  }

  async signIn(name = 'Jonah Pike'): Promise<Session> {
    const reply = await request(this.app)
      .post('/api/session')
      .set('Host', 'shop.test')
      .set('Origin', ORIGIN)
      .send({ name, password: 'witness-mark' });
    const cookie = sessionIn(reply);
    return new Session(this, cookie, reply.body.person?.id, reply.body.shop?.id);
  }

  /** A joint of a shop that nothing has been done on yet. */
  async freshJoint(shop = HALDEN, sheet = headSheet): Promise<string> {
    this.made += 1;
    const id = `7e000000-0000-4000-8000-${String(Date.now() % 1e6).padStart(6, '0')}${String(process.pid % 1000).padStart(3, '0')}${String(this.made).padStart(3, '0')}`;
    const job = shop === HALDEN ? demoId(301) : demoId(311);
    await this.db.inShop(shop, (c) =>
      c.query('insert into joint values ($1, $2, $3, $4, 9, $5, $6)', [
        shop,
        id,
        job,
        'Test head',
        sheet.id,
        sheet.revision,
      ]),
    );
    return id;
  }
}

/** The session that is on; beside it stands the person's own, for what they confirmed. */
const sessionIn = (reply: request.Response): string =>
  [reply.headers['set-cookie']]
    .flat()
    .map((c) => String(c).split(';')[0] ?? '')
    .findLast((c) => c.startsWith('stennet_session=')) ?? '';

export class Session {
  constructor(
    private readonly house: House,
    readonly cookie: string,
    readonly person: string,
    readonly shop: string,
  ) {}
  get(path: string): request.Test {
    return request(this.house.app).get(path).set('Host', 'shop.test').set('Cookie', this.cookie);
  }
  post(path: string, body: unknown): request.Test {
    return request(this.house.app)
      .post(path)
      .set('Host', 'shop.test')
      .set('Origin', ORIGIN)
      .set('Cookie', this.cookie)
      .send(body as object);
  }
  delete(path: string): request.Test {
    return request(this.house.app)
      .delete(path)
      .set('Host', 'shop.test')
      .set('Origin', ORIGIN)
      .set('Cookie', this.cookie);
  }
  /** The same person, in the session that a reply has begun. */
  as(reply: request.Response): Session {
    return new Session(this.house, sessionIn(reply), reply.body.person?.id, this.shop);
  }

  /** The same person, working in another of their shops. */
  async into(shop: string): Promise<Session> {
    const reply = await this.post('/api/session/shop', { shop }).expect(200);
    return new Session(this.house, sessionIn(reply), this.person, shop);
  }
  append(run: string, events: readonly RunEvent[], more: object = {}): request.Test {
    return this.post(`/api/runs/${run}/events`, {
      deviceName: 'Phone',
      holdKey: HOLD_KEY,
      events,
      ...more,
    });
  }

  async wrenches(): Promise<Wrench[]> {
    const { tools } = (await this.get('/api/tools')).body as {
      tools: { id: string; tool: ShopTool }[];
    };
    return wrenchesOf(tools.map((t) => ({ id: t.id, ...t.tool })));
  }

  /** A technician whose events this session may send. */
  async technician(
    joint: string,
    sheet = headSheet,
    begin?: Technician['begin'],
  ): Promise<Technician> {
    const wrenches = await this.wrenches();
    const inchPounds = wrenches.find((w) => w.name.startsWith('Wrench 3'));
    const large = wrenches.find((w) => w.name.startsWith('Wrench 2'));
    const unique = Math.floor(Math.random() * 1e11);
    const place: Place = {
      shop: this.shop,
      run: `8e000000-0000-4000-8000-${String(unique).padStart(12, '0')}`,
      joint,
      device: demoId(700),
      person: this.person,
      sheetHash: sha256Hex(canonicalJson(sheet)),
      wrenches: [inchPounds, large].filter((w) => w !== undefined),
      from: unique,
    };
    return new Technician(sheet, place, begin);
  }
}
