import { testId } from '@stennet/core/testing';
import type { Statement } from '@stennet/core/run';
import { house, ines, jonah } from '../test/theShop';
import { demoId, HALDEN } from '../test/world';

beforeEach(() => house.admin.query('truncate guess'));

let made = 0;
const say = (more: object = {}) => ({
  id: `9f000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`,
  lead: demoId(10),
  pin: '2580' as string | null,
  device: testId(4),
  say: { kind: 'allowance', about: { wrench: demoId(104) }, decision: 'allow' },
  ...more,
});
async function startedRun() {
  const t = await jonah.technician(await house.freshJoint());
  t.until((d) => d.kind === 'chooseTool');
  await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
  return t;
}

describe('the lead’s approval', () => {
  test('with the lead’s PIN on the technician’s device it is kept, and the run takes it in', async () => {
    const t = await startedRun();
    const body = say();
    const { statement } = (
      await jonah.post(`/api/runs/${t.place.run}/statements`, body).expect(200)
    ).body as { statement: Statement };
    expect(statement).toMatchObject({
      id: body.id,
      person: demoId(10),
      role: 'lead',
      kind: 'allowance',
      decision: 'allow',
    });
    // Sent again after a lost answer: the same.
    expect((await jonah.post(`/api/runs/${t.place.run}/statements`, body)).body.statement).toEqual(
      statement,
    );
    expect((await jonah.get(`/api/runs/${t.place.run}/statements`)).body.statements).toEqual([
      statement,
    ]);
    const overdue = (await jonah.wrenches()).find((w) => w.id === demoId(104));
    if (!overdue) throw new Error('no overdue wrench');
    t.do('used', { statement });
    t.do('wrenchChosen', { stage: 'settle', method: 'digital', wrench: overdue });
    const reply = await jonah.append(t.place.run, t.state.events.toArray());
    expect(reply.body).toMatchObject({ refused: null });
  });

  test('a statement that the server never kept, or another text under its id, is not taken in', async () => {
    const t = await startedRun();
    const { statement } = (await jonah.post(`/api/runs/${t.place.run}/statements`, say())).body as {
      statement: Statement;
    };
    for (const forged of [
      { ...statement, id: demoId(999) },
      { ...statement, text: 'and everything else too' },
      { ...statement, person: demoId(12) },
    ]) {
      const u = await startedRun();
      u.do('used', { statement: forged });
      expect((await jonah.append(u.place.run, u.state.events.toArray())).body.refused.code).toBe(
        'STATEMENT_UNKNOWN',
      );
    }
    // Said of one run, it counts for no other.
    const other = await startedRun();
    other.do('used', { statement });
    expect(
      (await jonah.append(other.place.run, other.state.events.toArray())).body.refused.code,
    ).toBe('STATEMENT_UNKNOWN');
  });

  test('signed in themselves a lead needs no PIN; no one else may leave it out', async () => {
    const t = await startedRun();
    expect(
      (await ines.post(`/api/runs/${t.place.run}/statements`, say({ pin: null }))).status,
    ).toBe(200);
    expect(
      (await jonah.post(`/api/runs/${t.place.run}/statements`, say({ pin: null }))).body.error.code,
    ).toBe('NOT_LEAD');
    expect(
      (await ines.post(`/api/runs/${t.place.run}/statements`, say({ pin: null, lead: demoId(11) })))
        .body.error.code,
    ).toBe('NOT_LEAD');
  });

  test('a technician’s PIN is no lead’s, an advisor’s device sends none, another shop has no such run', async () => {
    const t = await startedRun();
    expect(
      (await jonah.post(`/api/runs/${t.place.run}/statements`, say({ lead: demoId(12) }))).body
        .error.code,
    ).toBe('NOT_LEAD');
    const petra = await house.signIn('Petra Voll');
    expect((await petra.post(`/api/runs/${t.place.run}/statements`, say())).body.error.code).toBe(
      'FORBIDDEN',
    );
    const tomas = await house.signIn('Tomas Brandt');
    expect((await tomas.post(`/api/runs/${t.place.run}/statements`, say())).body.error.code).toBe(
      'RUN_UNKNOWN',
    );
  });

  test('five wrong tries by one person and it rests for them, whatever device they name; twenty by all, and it rests for all until it is set again', async () => {
    const t = await startedRun();
    const path = `/api/runs/${t.place.run}/statements`;
    for (let i = 0; i < 5; i += 1)
      expect((await jonah.post(path, say({ pin: '1111' }))).body.error.code).toBe('PIN_WRONG');
    expect((await jonah.post(path, say())).body.error).toMatchObject({
      code: 'PIN_LIMITED',
      params: { name: 'Ines Corte' },
    });
    expect((await jonah.post(path, say({ device: testId(5) }))).body.error.code).toBe(
      'PIN_LIMITED',
    );
    const mei = await house.signIn('Mei Sandoval');
    expect((await mei.post(path, say())).status).toBe(200);
    await house.admin.query(
      'update guess set tries = 19, locked_until = null where guess_key = $1',
      [`pin:${HALDEN}:${ines.person}`],
    );
    await mei.post(path, say({ pin: '1111' }));
    expect((await mei.post(path, say())).body.error.code).toBe('PIN_LIMITED');
    await ines.post('/api/me/pin', { pin: '2580', password: 'witness-mark' }).expect(200);
    expect((await mei.post(path, say())).status).toBe(200);
  });

  test('what was said can neither be changed nor deleted by the role that serves', async () => {
    for (const sql of ["update statement set body = '{}'", 'delete from statement']) {
      await expect(house.db.inShop(ines.shop, (c) => c.query(sql))).rejects.toThrow(
        /permission denied/,
      );
    }
  });
});

describe('a PIN', () => {
  test('is set with the password, never plain in the table, and one in a row is refused', async () => {
    for (const pin of ['1234', '9876', '0000', '12', '123456789', 'abcd'])
      expect(
        (await ines.post('/api/me/pin', { pin, password: 'witness-mark' })).body.error.code,
      ).toBe('PIN_FORM');
    expect(
      (await ines.post('/api/me/pin', { pin: '4071', password: 'wrong' })).body.error.code,
    ).toBe('SIGN_IN_WRONG');
    await ines.post('/api/me/pin', { pin: '4071', password: 'witness-mark' }).expect(200);
    const { rows } = await house.admin.query<{ hash: string }>(
      'select hash from pin where account = $1',
      [demoId(10)],
    );
    expect(rows.every((r) => r.hash.startsWith('$argon2id$'))).toBe(true);
    const t = await startedRun();
    expect(
      (await jonah.post(`/api/runs/${t.place.run}/statements`, say({ pin: '4071' }))).status,
    ).toBe(200);
  });
});
