import { unzipSync } from 'fflate';
import { canonicalJson, traceName } from '@stennet/core/record';
import { simulateWrench, type Trace } from '@stennet/core/trace';
import { house, jonah } from '../test/theShop';
import { demoId, TERN } from '../test/world';

const traceOf = (seed: number): Trace =>
  simulateWrench({ to: { unit: 'N.m', value: 62 } }, seed, 'Wrench 4, digital').trace;
const path = (trace: Trace): string => `/api/traces/${traceName(trace)}`;

describe('what a wrench saw of a pull', () => {
  test('is kept once under the name of its content, and comes back as it was', async () => {
    const trace = traceOf(1);
    for (let i = 0; i < 2; i += 1) await jonah.post(path(trace), trace).expect(200, { ok: true });
    const reply = await jonah.get(path(trace)).expect(200);
    expect(reply.body).toEqual(trace);
    expect(reply.headers['cache-control']).toContain('immutable');
    expect(
      (await house.admin.query('select 1 from trace where trace = $1', [traceName(trace)])).rows,
    ).toHaveLength(1);
  });

  test('its fields in another order are the same trace', async () => {
    const trace = traceOf(2);
    const turned = Object.fromEntries(Object.entries(trace).reverse());
    await jonah.post(path(trace), turned).expect(200);
    expect((await jonah.get(path(trace))).body).toEqual(trace);
  });

  test('another value under its name is refused, and so is what is no trace', async () => {
    const trace = traceOf(3);
    const [first = 0, ...rest] = trace.torqueNm;
    const refusal = await jonah
      .post(path(trace), { ...trace, torqueNm: [first + 1, ...rest] })
      .expect(422);
    expect(refusal.body.error).toMatchObject({ code: 'TRACE_BROKEN' });
    expect(
      (await jonah.post(path(trace), { ...trace, tS: trace.tS.slice(1) })).body.error.code,
    ).toBe('BAD_REQUEST');
    expect(
      (await jonah.post(path(trace), { ...trace, tS: [...trace.tS].reverse() })).body.error.code,
    ).toBe('BAD_REQUEST');
    expect((await jonah.post('/api/traces/short', trace)).status).toBe(404);
    expect((await jonah.get(path(trace))).status).toBe(404);
  });

  test('an advisor reads it and keeps none; another shop knows nothing of it', async () => {
    const trace = traceOf(4);
    const petra = await house.signIn('Petra Voll');
    expect((await petra.post(path(trace), trace)).body.error.code).toBe('FORBIDDEN');
    await jonah.post(path(trace), trace).expect(200);
    await petra.get(path(trace)).expect(200);
    const tern = await (await house.signIn('Ines Corte')).into(TERN);
    expect((await tern.get(path(trace))).status).toBe(404);
  });

  test('a trace changed in the database is not shown; the serving role cannot change it', async () => {
    const trace = traceOf(5);
    await jonah.post(path(trace), trace).expect(200);
    await house.admin.query('update trace set body = $1 where trace = $2', [
      canonicalJson({ ...trace, wrench: 'Another' }),
      traceName(trace),
    ]);
    expect((await jonah.get(path(trace))).status).toBe(404);
    await expect(
      house.db.inShop(jonah.shop, (c) => c.query("update trace set body = ''")),
    ).rejects.toThrow(/permission denied/);
    await expect(house.db.inShop(jonah.shop, (c) => c.query('delete from trace'))).rejects.toThrow(
      /permission denied/,
    );
  });
});

test('the record names the traces of its pulls, and the order’s archive has each that is as it was', async () => {
  const run = demoId(824);
  const file = (await jonah.get(`/api/runs/${run}/record?form=json`).buffer(true)).text;
  const { record } = JSON.parse(file) as { record: { pulls: { trace?: string }[] } };
  const named = record.pulls.flatMap((p) => (p.trace ? [p.trace] : []));
  expect(named).toHaveLength(16);
  await house.admin.query('update trace set body = $1 where trace = $2', ['{}', named[3]]);
  const { rows } = await house.admin.query<{ order: string }>(
    'select j.repair_order as order from run r join joint t on t.id = r.joint join job j on j.id = t.job where r.id = $1',
    [run],
  );
  const order = rows[0]?.order ?? '';
  const archive = await jonah
    .get(`/api/orders/${order}/archive`)
    .buffer(true)
    .parse((res, done) => {
      const pieces: Buffer[] = [];
      res.on('data', (d: Buffer) => pieces.push(d));
      res.on('end', () => done(null, Buffer.concat(pieces)));
    })
    .expect(200);
  const files = unzipSync(archive.body as Buffer);
  for (const [i, name] of named.entries()) {
    const bytes = files[`traces/${name}.json`];
    if (i === 3) expect(bytes).toBeUndefined();
    else expect(traceName(JSON.parse(new TextDecoder().decode(bytes)) as Trace)).toBe(name);
  }
});
