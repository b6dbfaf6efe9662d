import { practiceIdFrom, type ExerciseId } from '@stennet/core/practice';
import { practiceBy, type Pupil } from '@stennet/core/testing';
import { house, ines, jonah, mei, petra, tomas } from '../test/theShop';
import { demoId, HALDEN, type Session } from '../test/world';

let rafi: Session;
beforeAll(async () => {
  rafi = await house.signIn('Rafi Daan');
});

const idOf = async (s: Session): Promise<string> => (await s.get('/api/me')).body.person.id;
let made = 0;
async function practice(s: Session, exercise: ExerciseId, seed: number, pupil: Pupil = {}) {
  made += 1;
  const run = practiceIdFrom(demoId(7000 + made));
  const who = { shop: HALDEN, run, person: await idOf(s) };
  return { run, log: practiceBy({ exercise, seed }, pupil, who).log };
}
const keep = async (s: Session, exercise: ExerciseId, seed: number, pupil?: Pupil) => {
  const { run, log } = await practice(s, exercise, seed, pupil);
  return s.post(`/api/practice/${run}`, log);
};

test('a practice run is judged again here; the lead sees everybody’s, everybody else their own', async () => {
  expect((await keep(rafi, 'firstWrench', 3)).body).toEqual({ passed: true, better: null });
  expect((await keep(rafi, 'bottomed', 3)).body).toEqual({ passed: false, better: 'found' });
  await keep(jonah, 'gauge', 2);
  const mine = (await rafi.get('/api/practice')).body.attempts;
  expect(mine.map((a: { exercise: string; passed: boolean }) => [a.exercise, a.passed])).toEqual(
    expect.arrayContaining([
      ['firstWrench', true],
      ['bottomed', false],
    ]),
  );
  expect(mine).toHaveLength(2);
  expect((await ines.get('/api/practice')).body.attempts).toHaveLength(3);
  expect((await tomas.get('/api/practice')).body.attempts).toHaveLength(0);
});

test('sent again after a lost answer it is there once; of someone else, or with strokes left out, not at all', async () => {
  const { run, log } = await practice(rafi, 'firstWrench', 8);
  await rafi.post(`/api/practice/${run}`, log).expect(200);
  await rafi.post(`/api/practice/${run}`, log).expect(200);
  const { attempts } = (await rafi.get('/api/practice')).body;
  expect(attempts.filter((a: { id: string }) => a.id === run)).toHaveLength(1);
  const other = await practice(rafi, 'firstWrench', 9);
  expect((await jonah.post(`/api/practice/${other.run}`, other.log)).body.error.code).toBe(
    'PRACTICE_BROKEN',
  );
  const idle = { ...other.log, entries: other.log.entries.filter((e) => !('hand' in e)) };
  expect((await rafi.post(`/api/practice/${other.run}`, idle)).body).toMatchObject({
    passed: false,
    better: 'reached',
  });
  expect((await petra.get(`/api/practice/${run}`)).body.error.code).toBe('NOT_FOUND');
  expect((await ines.get(`/api/practice/${run}`)).body.log.id).toBe(run);
});

describe('practice never lands on anything real', () => {
  const id = practiceIdFrom(demoId(7900));
  const JOINT = demoId(401);

  test('the server says so', async () => {
    const { log } = await practice(jonah, 'firstWrench', 4);
    const events = log.entries.flatMap((e) => ('event' in e ? [e.event] : []));
    const reply = await jonah.post(`/api/runs/${log.id}/events`, {
      deviceName: 'Phone',
      holdKey: 'k'.repeat(43),
      events,
    });
    expect(reply.body.error.code).toBe('PRACTICE_ONLY');
  });

  const REAL = [
    ['follow_up', 'id'],
    ['foreign_record', 'run'],
    ['job', 'id'],
    ['joint', 'id'],
    ['late_event', 'run'],
    ['order_entry', 'id'],
    ['repair_order', 'id'],
    ['run', 'id'],
    ['run_event', 'run'],
    ['signed_word', 'run'],
    ['statement', 'run'],
    ['wrench_use', 'run'],
  ] as const;

  test.each(REAL)('the table %s refuses it, whoever writes there', async (table, column) => {
    const { rows } = await house.admin.query(
      `select pg_get_constraintdef(oid) as says from pg_constraint where conname = 'no_practice' and conrelid = $1::regclass`,
      [table],
    );
    expect(rows).toEqual([{ says: `CHECK ((NOT is_practice(${column})))` }]);
    const empty = ['statement', 'late_event', 'foreign_record'];
    if (empty.includes(table)) return;
    await expect(
      house.admin.query(
        `update ${table} set ${column} = $1 where ctid = (select ctid from ${table} limit 1)`,
        [id],
      ),
    ).rejects.toThrow(/no_practice/);
  });

  test('and its own table takes nothing else', async () => {
    await expect(
      house.admin.query(
        `insert into practice_attempt select (jsonb_populate_record(null::practice_attempt, to_jsonb(x) || jsonb_build_object('id', $1::text))).* from (select * from practice_attempt limit 1) x`,
        [JOINT],
      ),
    ).rejects.toThrow(/only_practice/);
  });
});

describe('a lead asks for practice first', () => {
  const rule = { role: 'technician', kind: 'cylinder-head', exercise: 'slipped' };

  test('only a lead may', async () => {
    expect((await jonah.post('/api/practice-rules', { ...rule, on: true })).body.error.code).toBe(
      'FORBIDDEN',
    );
    await ines.post('/api/practice-rules', { ...rule, on: true }).expect(200);
    await ines.post('/api/practice-rules', { ...rule, on: true }).expect(200);
    expect((await jonah.get('/api/practice')).body.rules).toEqual([rule]);
    await ines.post('/api/practice-rules', { ...rule, on: false }).expect(200);
    expect((await jonah.get('/api/practice')).body.rules).toEqual([]);
  });
});

describe('and then', () => {
  const JOINT = demoId(401);
  const kindOf = async (): Promise<string> =>
    (await jonah.get(`/api/joints/${JOINT}/sheet`)).body.sheet.kind;
  const set = async (on: boolean) =>
    ines
      .post('/api/practice-rules', {
        role: 'technician',
        kind: await kindOf(),
        exercise: 'firstWrench',
        on,
      })
      .expect(200);

  test('a technician who has not passed it can not start that kind of joint; having passed it, he can', async () => {
    await set(true);
    const t = await jonah.technician(JOINT);
    t.step();
    const start = () => jonah.append(t.place.run, t.state.events.toArray());
    const refused = await start();
    expect([refused.body.error.code, refused.body.error.message]).toEqual([
      'PRACTICE_FIRST',
      expect.stringContaining('First torque wrench'),
    ]);
    await keep(jonah, 'firstWrench', 5);
    expect((await start()).body.error?.message).toBeUndefined();
  });

  test('another one who goes on with it is asked as well', async () => {
    const { runs } = (await mei.get('/api/today')).body.orders
      .flatMap((o: { jobs: { joints: { id: string; runs: { id: string }[] }[] }[] }) =>
        o.jobs.flatMap((j) => j.joints),
      )
      .find((j: { id: string }) => j.id === JOINT);
    const run = runs.at(-1).id;
    const t = await mei.technician(JOINT);
    const { events } = (await mei.get(`/api/runs/${run}`)).body;
    const [{ device, hold }] = events.slice(-1);
    const tookOver = {
      ...t.event('tookOver', { fromDevice: device, deviceName: 'Phone' }),
      run,
      hold: hold + 1,
      seq: 1,
    };
    const reply = await mei.append(run, [tookOver]);
    expect(reply.body.error.code).toBe('PRACTICE_FIRST');
    await set(false);
    expect((await mei.append(run, [tookOver])).body.error?.code).not.toBe('PRACTICE_FIRST');
  });
});
