import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import request from 'supertest';
import pastTraces from '../../demo/past-traces.json';
import { isAllowed, ROLES, routes, type Role, type RouteName } from '@stennet/core/contract';
import { demoId, HALDEN, House, noteHeld, ORIGIN, TERN, type Session } from '../test/world';

let house: House;
const as = new Map<Role | 'tern', Session>();
beforeAll(async () => {
  house = await new House().open();
  await house.admin.query(
    "insert into account select $1, 'Owen Vale', 'owen vale', password_hash from account limit 1",
    [demoId(19)],
  );
  await house.admin.query("insert into membership values ($1, $2, 'Owen Vale', 'owner')", [
    HALDEN,
    demoId(19),
  ]);
  const names: Record<Role, string> = {
    lead: 'Ines Corte',
    technician: 'Jonah Pike',
    adviser: 'Petra Voll',
    apprentice: 'Rafi Daan',
    owner: 'Owen Vale',
  };
  for (const role of ROLES) as.set(role, await house.signIn(names[role]));
  as.set('tern', await (await house.signIn('Ines Corte')).into(TERN));
});
afterAll(() => house.close());

const NAMES = Object.keys(routes) as RouteName[];
const HELD = [
  'order',
  'joint',
  'run',
  'job',
  'entry',
  'tool',
  'followUp',
  'photo',
  'trace',
  'sheet',
  'revision',
  'vin',
  'token',
];
const OF_HALDEN: Record<string, string[]> = {
  order: [demoId(201), demoId(252)],
  joint: [demoId(401), demoId(461)],
  run: [demoId(821), demoId(822)],
  job: [demoId(301)],
  entry: [demoId(971)],
  tool: [demoId(101)],
  followUp: [demoId(1)],
  photo: ['a'.repeat(64)],
  trace: [Object.keys(pastTraces.traces)[0] ?? ''],
  sheet: ['brenna-2-0-head'],
  revision: ['C'],
  vin: ['ZZ9BREN20H0002417'],
  token: [`${'a'.repeat(43)}.ics`],
};

/** Ids of Halden's rows, and rubbish where an id belongs. */
const names = fc.record(
  Object.fromEntries(
    HELD.map((n) => [
      n,
      fc.oneof(
        { weight: 5, arbitrary: fc.constantFrom(...(OF_HALDEN[n] ?? [])) },
        {
          weight: 1,
          arbitrary: fc.constantFrom(
            "'; drop table run; --",
            '..%2f..',
            '0',
            'x'.repeat(300),
            '%00',
          ),
        },
      ),
    ]),
  ),
);
const junk = fc.oneof(
  fc.constant({}),
  fc.dictionary(
    fc.constantFrom(
      'id',
      'shop',
      'version',
      'state',
      'body',
      'events',
      'head',
      'pin',
      'lead',
      'kind',
      'position',
      'tool',
      '__proto__',
    ),
    fc.jsonValue({ maxDepth: 2 }),
    { maxKeys: 5 },
  ),
  fc.constant({ version: 1, state: 'done', note: null, seenKm: null }),
  fc.constant({ secondSignature: true }),
  fc.constant({ id: demoId(9999), kind: 'technician', position: 61 }),
);

async function send(
  session: Session | undefined,
  route: RouteName,
  params: Record<string, string>,
  body: unknown,
): Promise<request.Response> {
  const { method, path } = routes[route];
  const address = path.replace(/:(\w+)/g, (_all, key: string) =>
    encodeURIComponent(params[key] ?? 'x').replace(/%25/g, '%'),
  );
  const asked = request(house.app)
    [method.toLowerCase() as 'get' | 'post' | 'delete'](address)
    .set('Host', 'shop.test')
    .set('Origin', ORIGIN)
    .timeout(20_000);
  if (session) void asked.set('Cookie', session.cookie);
  return method === 'POST' ? asked.send(body as object) : asked;
}

/** A stream does not end; signing in and out would take the sessions from the other requests. */
const LEFT_OUT: readonly RouteName[] = [
  'stream',
  'signIn',
  'signOut',
  'switchShop',
  'switchPerson',
  'endSession',
  'endSessions',
  'savePerson',
];

describe('hostile requests', () => {
  test('over every route and role: what the table forbids is refused, and nothing breaks the server', async () => {
    let count = 0;
    for (const route of NAMES.filter((n) => !LEFT_OUT.includes(n))) {
      const { permission } = routes[route];
      const asked = ([...ROLES, 'nobody'] as const).map((role) =>
        fc.assert(
          fc.asyncProperty(names, junk, async (params, body) => {
            count += 1;
            const reply = await send(
              role === 'nobody' ? undefined : as.get(role),
              route,
              params as Record<string, string>,
              body,
            );
            if (reply.status >= 500)
              throw new Error(`${route} as ${role}: ${reply.status} ${JSON.stringify(reply.body)}`);
            if (permission === 'door') return;
            if (role === 'nobody') expect([401, 403, 404]).toContain(reply.status);
            else if (permission && !isAllowed(role, permission))
              expect([403, 404]).toContain(reply.status);
          }),
          { numRuns: process.env.STENNET_ALL ? 30 : 4, seed: 11 },
        ),
      );
      await Promise.all(asked);
    }
    expect(count).toBeGreaterThan(1500);
    noteHeld('hostile requests', count);
  }, 400_000);

  test('with the other shop’s ids: nothing of it is read or written', async () => {
    const before = await picture();
    const tern = as.get('tern');
    for (const route of NAMES.filter(
      (n) => !LEFT_OUT.includes(n) && routes[n].path.includes(':'),
    )) {
      await fc.assert(
        fc.asyncProperty(names, junk, async (params, body) => {
          const reply = await send(tern, route, params as Record<string, string>, body);
          if (reply.status >= 500) throw new Error(`${route}: ${reply.status}`);
          if (reply.status < 300)
            expect(JSON.stringify(reply.body)).not.toMatch(/Dorn|Kolb|HQ 417|Halden/);
        }),
        { numRuns: 12, seed: 5 },
      );
    }
    expect(await picture()).toEqual(before);
  });

  test('from another site nothing is written', async () => {
    const session = as.get('lead');
    for (const route of NAMES.filter((n) => routes[n].method !== 'GET')) {
      const { method, path } = routes[route];
      const asked = request(house.app)[method.toLowerCase() as 'post' | 'delete'](
        path.replace(/:(\w+)/g, (_a, k: string) => OF_HALDEN[k]?.[0] ?? 'x'),
      );
      const reply = await asked
        .set('Host', 'shop.test')
        .set('Origin', 'http://elsewhere.test')
        .set('Cookie', session?.cookie ?? '')
        .send({});
      expect(reply.body.error.code).toBe('WRONG_ORIGIN');
    }
  });
});

/** How many rows Halden has of everything, and the newest of each. */
async function picture(): Promise<unknown> {
  const tables = [
    'repair_order',
    'job',
    'joint',
    'run',
    'run_event',
    'order_entry',
    'statement',
    'signed_word',
    'follow_up',
    'shop_tool',
    'wrench_check',
    'practice_attempt',
    'practice_rule',
    'photo',
    'trace',
    'sheet_revision',
  ];
  const rows: unknown[] = [];
  for (const t of tables)
    rows.push(
      (
        await house.admin.query(
          `select count(*) as n, max(md5(x::text)) as last from ${t} x where shop = $1`,
          [HALDEN],
        )
      ).rows[0],
    );
  return rows;
}

describe('the contract as a document', () => {
  test('is served, names every route, and what comes back is what it says', async () => {
    const doc = (await request(house.app).get('/api/openapi.json').expect(200)).body as {
      paths: Record<
        string,
        Record<
          string,
          {
            operationId: string;
            responses: Record<string, { content?: Record<string, { schema: object }> }>;
          }
        >
      >;
    };
    const operations = Object.values(doc.paths).flatMap((p) => Object.values(p));
    expect(operations.map((o) => o.operationId).sort()).toEqual([...NAMES].sort());
    const ajv = new Ajv({ strict: false, allErrors: true });
    addFormats(ajv);
    const asked: [RouteName, Record<string, string>, string?][] = [
      ['me', {}],
      ['today', {}],
      ['order', { order: demoId(252) }],
      ['orders', {}],
      ['people', {}],
      ['tools', {}],
      ['run', { run: demoId(821) }],
      ['signatures', { run: demoId(821) }],
      ['followUps', {}],
      ['history', {}, '?by=vehicle&vin=ZZ9BREN20H0002417'],
      ['sheet', { sheet: 'brenna-2-0-head', revision: 'C' }],
      ['findSheets', {}, '?q=head'],
      ['library', {}],
      ['setup', {}],
    ];
    for (const [route, params, query = ''] of asked) {
      const path = routes[route].path.replace(/:(\w+)/g, (_all, key: string) => params[key] ?? '');
      const reply = await as.get('lead')?.get(`${path}${query}`).expect(200);
      const schema = operations.find((o) => o.operationId === route)?.responses['200']?.content?.[
        'application/json'
      ]?.schema;
      const validate = ajv.compile(schema ?? { not: {} });
      expect([route, validate(reply?.body) ? null : validate.errors?.slice(0, 3)]).toEqual([
        route,
        null,
      ]);
    }
  });
});
