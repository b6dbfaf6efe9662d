import { entryProof } from '@stennet/core/record';
import type { Statement } from '@stennet/core/run';
import { house, ines, jonah, mei, post, signEverybodyIn } from '../test/theShop';
import { demoId, HALDEN } from '../test/world';

beforeEach(() => house.admin.query('truncate guess'));

const ANY = 'm'.repeat(43);

describe('late entries of a device that lost its hold', () => {
  test('are kept whole as claims, once, and answered by the device that holds the run', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    t.step();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    // Without a network: two more pulls, never sent.
    const away = t.clone();
    const late = [away.step(), away.step()].flatMap((e) => e ?? []);
    // Mei takes over, sees the second bolt turned already and the third not.
    const other = t.clone();
    // Ids of its own from here on.
    for (let i = 0; i < 200; i += 1) other.event('paused', {});
    other.place.person = mei.person;
    other.takeOver(demoId(701));
    const before = t.state.events.length;
    await mei.append(t.place.run, other.state.events.toArray().slice(before)).expect(200);
    const reply = await jonah.append(t.place.run, late).expect(200);
    expect(reply.body).toMatchObject({
      stored: [],
      refused: { id: late[0]?.id, code: 'KEPT_AS_CLAIM' },
    });
    await jonah.append(t.place.run, late).expect(200);
    const kept = (
      await house.admin.query<{ body: string }>(
        'select body from late_event where run = $1 order by hold, seq',
        [t.place.run],
      )
    ).rows;
    expect(kept.map((r) => JSON.parse(r.body))).toEqual(late);
    const statements = (await mei.get(`/api/runs/${t.place.run}/statements`)).body
      .statements as Statement[];
    expect(statements).toHaveLength(1);
    expect(statements[0]).toMatchObject({
      kind: 'claims',
      person: jonah.person,
      claims: late.map((e) => ({ event: e.id })),
    });
    // Taken in, the run asks about each.
    const had = other.state.events.length;
    other.until((d) => d.kind !== 'reconcile');
    other.do('used', { statement: statements[0] as Statement });
    other.until((d) => d.kind === 'hold');
    await mei.append(t.place.run, other.state.events.toArray().slice(had)).expect(200);
  });

  test('of a signed run are kept too, and said beside it', async () => {
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    const away = t.clone();
    const late = away.step();
    const other = t.clone();
    // Ids of its own from here on.
    for (let i = 0; i < 200; i += 1) other.event('paused', {});
    other.place.person = mei.person;
    other.takeOver(demoId(702));
    const events = [...other.state.events.toArray(), ...other.finish()];
    await mei.append(t.place.run, events.slice(t.state.events.length)).expect(200);
    await mei
      .post(`/api/runs/${t.place.run}/signatures`, {
        id: demoId(9911),
        kind: 'technician',
        position: events.length,
      })
      .expect(200);
    if (!late) throw new Error('nothing was made');
    expect((await jonah.append(t.place.run, [late])).body.refused.code).toBe('KEPT_AS_CLAIM');
    expect((await mei.get(`/api/runs/${t.place.run}/signatures`)).body).toMatchObject({
      late: 1,
      fault: null,
    });
  });
});

describe('a phone that several share', () => {
  const device = demoId(750);
  const switchTo = (person: string, pin: string, secret = ANY) =>
    post('/api/session/pin', { shop: HALDEN, device, person, secret, pin });

  test('only who enrolled there with their password switches by PIN, and only so many wrong ones', async () => {
    expect((await switchTo(ines.person, '2580')).body.error.code).toBe('NOT_ENROLLED');
    await ines.post('/api/session/enrol', { device, secret: ANY }).expect(200);
    expect((await switchTo(ines.person, '2580', 'x'.repeat(43))).body.error.code).toBe(
      'NOT_ENROLLED',
    );
    expect((await switchTo(ines.person, '1111')).body.error.code).toBe('PIN_WRONG');
    const reply = await switchTo(ines.person, '2580').expect(200);
    expect(reply.body.person.name).toBe('Ines Corte');
    for (let i = 0; i < 5; i += 1) await switchTo(ines.person, '0000');
    expect((await switchTo(ines.person, '2580')).body.error.code).toBe('PIN_LIMITED');
    await mei.post('/api/session/enrol', { device, secret: ANY }).expect(200);
    expect((await switchTo(mei.person, '1234')).body.error.code).toBe('PIN_NONE');
    // In another shop the same device knows no one.
    expect(
      (
        await post('/api/session/pin', {
          shop: demoId(2),
          device,
          person: ines.person,
          secret: ANY,
          pin: '2580',
        })
      ).body.error.code,
    ).toBe('NOT_ENROLLED');
  });

  test('what the one before confirmed goes out under their own name while another is on, by the proof of their session alone', async () => {
    await ines.post('/api/session/enrol', { device, secret: ANY }).expect(200);
    const { entry } = (await jonah.get('/api/me')).body as {
      entry: { session: string; key: string };
    };
    const t = await jonah.technician(await house.freshJoint());
    t.until((d) => d.kind === 'pull');
    const events = t.state.events.toArray();
    const proofsBy = (key: string, session = entry.session) =>
      events.map((e) => ({ event: e.id, session, proof: entryProof(key, e) }));
    const switched = await switchTo(ines.person, '2580').expect(200);
    const shared = ines.as(switched);
    expect((await shared.append(t.place.run, events)).body.error.code).toBe('WRONG_PERSON');
    // Of another session than the one named, with another text, for one entry only.
    const theirs = (await shared.get('/api/me')).body.entry as typeof entry;
    for (const proofs of [
      proofsBy(theirs.key),
      proofsBy(entry.key, theirs.session),
      proofsBy(entry.key).slice(1),
      proofsBy(entry.key).map((p) => ({ ...p, proof: 'a'.repeat(64) })),
    ])
      expect((await shared.append(t.place.run, events, { proofs })).body.error.code).toBe(
        'WRONG_PERSON',
      );
    const changed = events.map((e, i) =>
      i === 1 ? { ...e, deviceTime: '2026-11-24T09:59:59.000Z' } : e,
    );
    expect(
      (await shared.append(t.place.run, changed, { proofs: proofsBy(entry.key) })).body.error.code,
    ).toBe('WRONG_PERSON');
    // Signed out since: what was confirmed before that still counts.
    await jonah.delete('/api/session').expect(200);
    expect(
      (await shared.append(t.place.run, events, { proofs: proofsBy(entry.key) })).body,
    ).toMatchObject({ refused: null });
    await signEverybodyIn();
  });

  test('switching the phone ends the session that was on it', async () => {
    await ines.post('/api/session/enrol', { device, secret: ANY }).expect(200);
    const shared = ines.as(await switchTo(ines.person, '2580').expect(200));
    const again = ines.as(
      await switchTo(ines.person, '2580').set('Cookie', shared.cookie).expect(200),
    );
    expect((await shared.get('/api/me')).body.error.code).toBe('SIGN_IN_NEEDED');
    expect((await again.get('/api/me')).status).toBe(200);
  });
});
