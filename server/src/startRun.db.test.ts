import type { OrderEntry } from '@stennet/core/order';
import { demoSheet, testId, type Technician } from '@stennet/core/testing';
import type { Statement } from '@stennet/core/run';
import { house, ines, jonah, mei, petra } from '../test/theShop';
import { demoId, type Session } from '../test/world';

const ORDER = demoId(201);
const JOB = demoId(301);
let made = 0;
const freshId = (): string => `9d000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`;

/** Put on the order, and settled again by another version of it. */
async function withEntry(
  body: OrderEntry,
  settled: OrderEntry,
  work: () => Promise<void>,
): Promise<void> {
  const entry = freshId();
  await petra
    .post(`/api/orders/${ORDER}/entries/${entry}`, { version: 0, body, gone: false })
    .expect(200);
  await work();
  await petra
    .post(`/api/orders/${ORDER}/entries/${entry}`, { version: 1, body: settled, gone: false })
    .expect(200);
}

async function start(
  joint: string,
): Promise<{ status: number; body: { error?: { code: string; message: string } } }> {
  const t = await jonah.technician(joint);
  t.step();
  return jonah.append(t.place.run, t.state.events.toArray());
}

const headBolts =
  (thread: string) =>
  (joint: string): OrderEntry => ({
    kind: 'part',
    job: JOB,
    joint,
    need: 'group:head-bolts',
    what: 'Head bolts',
    count: 10,
    state: 'here',
    seen: { thread },
  });

describe('what the order knows binds a run of the joint', () => {
  const cases: [string, (joint: string) => OrderEntry, (joint: string) => OrderEntry, RegExp][] = [
    [
      'a head that is at the machine shop',
      () => ({
        kind: 'outside',
        job: JOB,
        what: 'Cylinder head',
        to: 'Quay Machine Shop',
        asked: 'Skim',
        state: 'away',
      }),
      () => ({
        kind: 'outside',
        job: JOB,
        what: 'Cylinder head',
        to: 'Quay Machine Shop',
        asked: 'Skim',
        state: 'checked',
        checked: 'Flat',
      }),
      /is at Quay Machine Shop/,
    ],
    [
      'a nut that fell and is not found',
      () => ({ kind: 'dropped', job: JOB, what: 'M8 nut', where: 'bell housing' }),
      () => ({
        kind: 'dropped',
        job: JOB,
        what: 'M8 nut',
        where: 'bell housing',
        found: 'magnet',
        still: 'good',
      }),
      /dropped/,
    ],
    ['bolts of the wrong thread', headBolts('M11 x 1.5'), headBolts('M10 x 1.5'), /doesn’t match/],
  ];
  test.each(cases)('%s', async (_what, body, settled, why) => {
    const joint = await house.freshJoint();
    await withEntry(body(joint), settled(joint), async () => {
      const refused = await start(joint);
      expect(refused.status).toBe(409);
      expect(refused.body.error).toMatchObject({
        code: 'START_BLOCKED',
        message: expect.stringMatching(why),
      });
    });
    expect((await start(joint)).status).toBe(200);
  });

  test('a stud that stayed broken in its hole: said again, out or repaired, before the manifold goes back', async () => {
    const sheet = demoSheet('bv48-exhaust');
    const joint = await house.freshJoint(undefined, sheet);
    const apart = await jonah.technician(joint, sheet, { part: 'takeApart', instance: 'left' });
    apart.until((d) => d.kind === 'pull');
    const due = apart.until((d) => d.kind === 'pull');
    if (due.kind !== 'pull') throw new Error(due.kind);
    apart.step({ fails: 'broke' });
    await jonah.append(apart.place.run, apart.state.events.toArray()).expect(200);
    const say = {
      id: freshId(),
      lead: ines.person,
      pin: null,
      device: testId(4),
      say: { kind: 'leaveOut', fastener: due.fastener },
    };
    const { statement } = (
      await ines.post(`/api/runs/${apart.place.run}/statements`, say).expect(200)
    ).body as { statement: Statement };
    apart.do('used', { statement });
    apart.finish();
    await jonah.append(apart.place.run, apart.state.events.toArray()).expect(200);

    const begin = async (
      more: object,
    ): Promise<{ status: number; t: Technician; code?: string }> => {
      const t = await jonah.technician(joint, sheet, { instance: 'left', ...more });
      t.step();
      const reply = await jonah.append(t.place.run, t.state.events.toArray());
      return { status: reply.status, t, code: reply.body.error?.code };
    };
    expect(await begin({})).toMatchObject({ status: 409, code: 'LEFT_OUT_BEFORE' });
    const { status, t } = await begin({ leftOut: [due.seat] });
    expect(status).toBe(200);
    t.finish();
    expect(
      t.state.events
        .toArray()
        .some((e) => e.type === 'pulled' && e.payload.fastener.startsWith(`${due.seat}/`)),
    ).toBe(false);
  });
});

describe('what is open in a finished run is settled by the lead', () => {
  async function finishedShort(): Promise<{ t: Technician; deviation: string }> {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull' && d.stage.id === 'second-angle');
    const short = t.step({ short: true });
    t.finish();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    return { t, deviation: short?.id ?? '' };
  }

  test('from the lead’s own device: taken over, decided, and then it can be signed', async () => {
    const { t, deviation } = await finishedShort();
    const sign = async (): Promise<{ status: number }> =>
      jonah.post(`/api/runs/${t.place.run}/signatures`, {
        id: freshId(),
        kind: 'technician',
        position: t.state.events.length,
      });
    expect((await sign()).status).toBe(409);
    const say = {
      id: freshId(),
      lead: ines.person,
      pin: null,
      device: testId(9),
      say: { kind: 'allowance', about: { deviation }, decision: 'allow' },
    };
    const { statement } = (await ines.post(`/api/runs/${t.place.run}/statements`, say).expect(200))
      .body as { statement: Statement };
    t.place.person = ines.person;
    t.takeOver(testId(9));
    t.do('used', { statement });
    expect(t.state.status).toBe('finished');
    await ines.append(t.place.run, t.state.events.toArray().slice(-2)).expect(200);
    expect((await sign()).status).toBe(200);
  });

  test('a note is said in one’s own name and is on the record', async () => {
    const { t } = await finishedShort();
    const note = (more: object) => ({
      id: freshId(),
      lead: jonah.person,
      pin: null,
      device: testId(4),
      text: 'Two entries of the old phone were double.',
      say: { kind: 'note' },
      ...more,
    });
    expect(
      (await jonah.post(`/api/runs/${t.place.run}/statements`, note({ lead: mei.person }))).body
        .error.code,
    ).toBe('WRONG_PERSON');
    expect(
      (await jonah.post(`/api/runs/${t.place.run}/statements`, note({ text: ' ' }))).status,
    ).toBeGreaterThanOrEqual(400);
    const { statement } = (
      await jonah.post(`/api/runs/${t.place.run}/statements`, note({})).expect(200)
    ).body as { statement: Statement };
    expect(statement).toMatchObject({ kind: 'note', role: 'technician', person: jonah.person });
  });
});

describe('closing an order', () => {
  async function orderWith(
    sheet: string,
    revision: string,
  ): Promise<{
    order: string;
    joint: string;
    become: (s: Session, state: string) => Promise<string>;
  }> {
    const [order, job, joint] = [freshId(), freshId(), freshId()];
    const head = {
      number: `S${(made += 1)}`,
      vehicle: {
        maker: 'Belmaro',
        model: 'Tessera',
        engine: 'BV48',
        plate: 'HQ 2',
        vin: 'ZZ9BTES25F0009999',
        built: '2017-05-18',
      },
      odometer: { value: 120_000, unit: 'km' },
      customer: 'Ash',
      concern: 'Ticks when cold.',
      bay: null,
      promisedAt: null,
    };
    await petra.post('/api/orders', { order, head }).expect(200);
    await petra
      .post(`/api/orders/${order}/jobs`, {
        id: job,
        kind: 'other',
        title: 'Work',
        joints: [{ id: joint, name: 'Joint', sheet, revision }],
      })
      .expect(200);
    const become = async (s: Session, state: string): Promise<string> => {
      const { version } = (await s.get(`/api/orders/${order}`)).body as { version: number };
      const reply = await s.post(`/api/orders/${order}/state`, { version, state });
      return reply.status === 200 ? 'ok' : `${reply.body.error.code} ${reply.body.error.message}`;
    };
    return { order, joint, become };
  }

  test('the technician who did the work cannot set it to checked alone', async () => {
    const { joint, become } = await orderWith('ck12-water-pump', 'A');
    const t = await jonah.technician(joint, demoSheet('ck12-water-pump'));
    t.finish();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    for (const state of ['inWork', 'toCheck']) expect(await become(jonah, state)).toBe('ok');
    expect(await become(jonah, 'done')).toMatch(/^OWN_WORK/);
    expect(await become(mei, 'done')).toBe('ok');
  });

  test('one bank alone is an order that can be closed', async () => {
    const sheet = demoSheet('bv48-exhaust');
    const { order, joint, become } = await orderWith(sheet.id, sheet.revision);
    const t = await jonah.technician(joint, sheet, { instance: 'left' });
    t.finish();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    expect(await become(mei, 'inWork')).toBe('ok');
    expect(await become(mei, 'toCheck')).toMatch(/Joint: not finished/);
    const body: OrderEntry = { kind: 'scope', joint, instances: ['left'] };
    await petra
      .post(`/api/orders/${order}/entries/${freshId()}`, { version: 0, body, gone: false })
      .expect(200);
    expect(await become(mei, 'toCheck')).toBe('ok');
  });
});
