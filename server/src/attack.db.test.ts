import { connect, type AddressInfo } from 'node:net';
import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { testId } from '@stennet/core/testing';
import { house, ines, jonah, mei, signEverybodyIn } from '../test/theShop';
import { demoId, HALDEN, noteHeld, ORIGIN, type Session } from '../test/world';
import { GUESSES, many, codesOf, later, door } from '../test/attacks';

// What an attack on a running copy has tried, kept as a check.
beforeEach(() => house.admin.query('truncate guess'));

describe('guesses', () => {
  const say = async (by: Session, guess: string, lead = ines.person) => {
    const run = testId(1);
    return by
      .post(`/api/runs/${await anyRun()}/statements`, {
        id: testId(900),
        lead,
        pin: guess,
        device: testId(Math.floor(Math.random() * 1e6)),
        say: { kind: 'release', hold: 'free', decision: 'passed' },
      })
      .then(
        (r) => r,
        () => run,
      );
  };
  let run: string | undefined;
  const anyRun = async (): Promise<string> => {
    if (run) return run;
    const t = await jonah.technician(await house.freshJoint());
    t.step();
    await jonah.append(t.place.run, t.state.events.toArray()).expect(200);
    return (run = t.place.run);
  };

  test(`${GUESSES} at once at a lead’s PIN, each from another device: five are compared`, async () => {
    await anyRun();
    const replies = (await many(GUESSES, (i) =>
      say(jonah, String(3000 + i)),
    )) as request.Response[];
    const codes = codesOf(replies);
    expect([codes.PIN_WRONG, codes.in, (codes.PIN_LIMITED ?? 0) + (codes.OFFLINE ?? 0)]).toEqual([
      5,
      undefined,
      GUESSES - 5,
    ]);
    noteHeld('guesses at a PIN at once', GUESSES);
    // The right one neither, while it rests; from a colleague’s device it still opens.
    expect(((await say(jonah, '2580')) as request.Response).body.error.code).toBe('PIN_LIMITED');
    expect(((await say(mei, '2580')) as request.Response).status).toBe(200);
  });

  test('each lock lasts longer, and a single try locks again', async () => {
    await anyRun();
    const rests: number[] = [];
    for (let i = 0; i < 9; i += 1) {
      const reply = (await say(jonah, '1111')) as request.Response;
      if (reply.body.error.code !== 'PIN_LIMITED') continue;
      rests.push(reply.body.error.params.minutes);
      later(reply.body.error.params.minutes);
    }
    expect(rests).toEqual([5, 10]);
    await many(30, () => say(jonah, '1111'));
    expect(((await say(jonah, '1111')) as request.Response).body.error.params.minutes).toBe(20);
  });

  test('an id has one spelling: in capitals it is none', async () => {
    const reply = (await say(jonah, '1111', ines.person.toUpperCase())) as request.Response;
    expect(reply.status).toBeLessThan(500);
    const pin = {
      shop: HALDEN,
      device: demoId(751),
      person: ines.person,
      secret: 's'.repeat(43),
      pin: '1111',
    };
    const upper = await request(house.app)
      .post('/api/session/pin')
      .set('Host', 'shop.test')
      .set('Origin', ORIGIN)
      .send({ ...pin, person: ines.person.toUpperCase().replace('5E', '5E') });
    expect(upper.body.error.code).toMatch(/BAD_REQUEST|NOT_ENROLLED/);
    const keys = (await house.admin.query<{ guess_key: string }>('select guess_key from guess'))
      .rows;
    for (const { guess_key } of keys) expect(guess_key).toBe(guess_key.toLowerCase());
  });

  test(`${GUESSES} at once at a password: five are compared, and a known device of that person is not kept out`, async () => {
    const first = await door({ name: 'Mei Sandoval', password: 'witness-mark' });
    const device =
      [first.headers['set-cookie']]
        .flat()
        .map((c) => String(c).split(';')[0] ?? '')
        .find((c) => c.startsWith('stennet_device=')) ?? '';
    const codes = codesOf(
      await many(GUESSES, (i) =>
        door({ name: i % 2 ? 'mei sandoval' : ' MEI  SANDOVAL', password: `guess ${i}` }),
      ),
    );
    // A try that waited too long for a connection was not compared either.
    expect([
      codes.SIGN_IN_WRONG,
      codes.in,
      (codes.SIGN_IN_LIMITED ?? 0) + (codes.OFFLINE ?? 0),
    ]).toEqual([5, undefined, GUESSES - 5]);
    noteHeld('guesses at a password at once', GUESSES);
    expect((await door({ name: 'Mei Sandoval', password: 'witness-mark' })).body.error.code).toBe(
      'SIGN_IN_LIMITED',
    );
    expect((await door({ name: 'Mei Sandoval', password: 'witness-mark' }, device)).status).toBe(
      200,
    );
    // No one else in the shop is kept out by it.
    expect((await door({ name: 'Rafi Daan', password: 'witness-mark' })).status).toBe(200);
  });

  test('many names from one address: the address rests for newcomers, people on their own phones go on', async () => {
    const first = await door({ name: 'Petra Voll', password: 'witness-mark' });
    const device =
      [first.headers['set-cookie']]
        .flat()
        .map((c) => String(c).split(';')[0] ?? '')
        .find((c) => c.startsWith('stennet_device=')) ?? '';
    await many(120, (i) => door({ name: `Nobody ${i}`, password: 'guess' }));
    expect((await door({ name: 'Rafi Daan', password: 'witness-mark' })).body.error.code).toBe(
      'SIGN_IN_LIMITED',
    );
    expect((await door({ name: 'Petra Voll', password: 'witness-mark' }, device)).status).toBe(200);
    later(16);
    expect((await door({ name: 'Rafi Daan', password: 'witness-mark' })).status).toBe(200);
  });

  test('the lead sees what was tried, by whom and from where', async () => {
    await signEverybodyIn();
    await door({ name: 'Rafi Daan', password: 'not it' });
    await say(jonah, '4711');
    const { events } = (await ines.get('/api/security').expect(200)).body as {
      events: { kind: string; who: string | null; about: string | null; address: string }[];
    };
    expect(events).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ kind: 'wrongPassword', about: 'Rafi Daan', who: null }),
        expect.objectContaining({ kind: 'wrongPin', about: 'Ines Corte', who: 'Jonah Pike' }),
      ]),
    );
    await jonah.get('/api/security').expect(403);
  });
});

describe('what is large', () => {
  const bomb = (bytes: number): Buffer => gzipSync(Buffer.alloc(bytes, 'a'));

  test('nothing of a stranger’s body is read: who it is comes first', async () => {
    const before = process.memoryUsage().rss;
    const packed = bomb(40_000_000);
    const replies = await many(60, () =>
      request(house.app)
        .post('/api/foreign')
        .set({
          Host: 'shop.test',
          Origin: ORIGIN,
          'Content-Type': 'application/json',
          'Content-Encoding': 'gzip',
        })
        .send(packed),
    );
    expect(codesOf(replies)).toEqual({ SIGN_IN_NEEDED: 60 });
    expect(process.memoryUsage().rss - before).toBeLessThan(200_000_000);
    // At the door only a little is read.
    expect((await door({ name: 'x', password: 'y'.repeat(10_000) })).body.error.code).toBe(
      'TOO_LARGE',
    );
  });

  test('packed bodies are not unpacked for anybody', async () => {
    const reply = await ines
      .post('/api/foreign', {})
      .set({ 'Content-Type': 'application/json', 'Content-Encoding': 'gzip' });
    expect(reply.body.error.code).toBe('BAD_REQUEST');
  });

  test('deep, long and endless records are refused, and others are answered in the meantime', async () => {
    const take = (body: Buffer) =>
      request(house.app)
        .post('/api/foreign')
        .set({
          Host: 'shop.test',
          Origin: ORIGIN,
          Cookie: ines.cookie,
          'Content-Type': 'application/octet-stream',
        })
        .send(body);
    const deep = take(Buffer.from('['.repeat(11_000_000)));
    const long = take(
      Buffer.from(
        JSON.stringify({
          format: 'stennet-record',
          v: 1,
          chain: Array.from({ length: 30_000 }, () => ({ body: '{}', hash: '0', seal: '' })),
        }),
      ),
    );
    const waits: number[] = [];
    let isOver = false;
    const watch = (async () => {
      while (!isOver) {
        const from = performance.now();
        await jonah.get('/api/me').expect(200);
        waits.push(performance.now() - from);
      }
    })();
    const whys = (await Promise.all([deep, long])).map((r) => r.body.error.params.why);
    isOver = true;
    await watch;
    expect(whys).toEqual([
      'it is nested too deep for a record',
      'it has more entries than a job can have',
    ]);
    expect(waits.length).toBeGreaterThan(3);
  });

  test('a dozen exports that no one reads leave connections for everyone else', async () => {
    const rafi = await house.signIn('Rafi Daan');
    const server = house.app.listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const { port } = server.address() as AddressInfo;
    const sockets = Array.from({ length: 12 }, () => {
      const socket = connect(port, '127.0.0.1');
      socket.pause();
      socket.write(
        `GET /api/library/export?form=json HTTP/1.1\r\nHost: shop.test\r\nCookie: ${rafi.cookie}\r\n\r\n`,
      );
      return socket;
    });
    await new Promise((resolve) => setTimeout(resolve, 500));
    expect(codesOf(await many(30, () => jonah.get('/api/me')))).toEqual({ in: 30 });
    sockets.forEach((s) => s.destroy());
    server.close();
  });

  test('one person has three of the large ones under way; the fourth waits', async () => {
    const replies = await many(8, () => jonah.get('/api/library/export?form=json'));
    expect(
      replies
        .map((r) => r.status)
        .sort()
        .slice(0, 3),
    ).toEqual([200, 200, 200]);
    expect((await jonah.get('/api/library/export?form=json')).status).toBe(200);
  });
});
