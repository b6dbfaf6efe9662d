// For checks: a real shop in a folder of its own, worked by its commands and its API as someone in
// it would.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { freePort } from './cluster.mjs';
import { root } from './install.mjs';

export const PASSWORD = 'tighten in order';

export async function aShop(home) {
  fs.chmodSync(home, 0o755);
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  let cookie = '';

  function stennet(...args) {
    const done = spawnSync(path.join(root, 'stennet'), args, {
      cwd: root,
      encoding: 'utf8',
      env: { ...process.env, STENNET_HOME: home, DATABASE_URL: '', OWNER_DATABASE_URL: '' },
    });
    return { ok: done.status === 0, said: `${done.stdout}${done.stderr}` };
  }

  function must(...args) {
    const done = stennet(...args);
    assert.ok(done.ok, `./stennet ${args.join(' ')}:\n${done.said}`);
    return done.said;
  }

  async function ask(where, body) {
    const send = () =>
      fetch(`${url}${where}`, {
        method: body ? 'POST' : 'GET',
        headers: {
          Origin: url,
          Cookie: cookie,
          ...(body ? { 'Content-Type': 'application/json' } : {}),
        },
        ...(body ? { body: JSON.stringify(body) } : {}),
      });
    // A connection of the server before is still in the pool, or it is not quite there again.
    let reply = await send().catch(() => null);
    for (let i = 0; !reply && i < 20; i += 1) {
      await new Promise((resolve) => setTimeout(resolve, 250));
      reply = await send().catch(() => null);
    }
    assert.ok(reply, `${where} was not answered`);
    const own = reply.headers.getSetCookie().find((c) => c.startsWith('stennet_session='));
    if (own) cookie = own.split(';')[0];
    assert.ok(reply.headers.get('x-request-id'));
    return { status: reply.status, body: await reply.json() };
  }

  function makeShop(code, shopName, name) {
    const style = { locale: 'en-GB', timeZone: 'Europe/Berlin', paper: 'A4', torqueUnit: 'N.m' };
    const shop = { name: shopName, ...style };
    return ask('/api/setup', { code, shop, name, password: PASSWORD });
  }

  return {
    url,
    stennet,
    must,
    ask,
    start: () => must('start', '--port', String(port)),
    cookie: () => cookie,
    /** The first visit, with the code that the start said. */
    async firstVisit(said) {
      const code = /first visit: (\S+)/.exec(said)?.[1];
      assert.ok(code, said);
      assert.deepEqual((await ask('/api/setup')).body, { needed: true });
      assert.equal((await makeShop(code, 'Kiln Lane Motors', 'Ada Fenn')).status, 200);
    },
    makeShop,
    signIn: () => ask('/api/session', { name: 'Ada Fenn', password: PASSWORD }),
    openOrder(number, order = randomUUID()) {
      const vehicle = {
        maker: 'Ostrel',
        model: 'Brenna 2.0',
        engine: 'OB20',
        plate: 'KL 1',
        vin: 'ZZ9BREN20H0001001',
        built: '2018-03-12',
      };
      const head = {
        number,
        vehicle,
        odometer: { value: 1000, unit: 'km' },
        customer: 'Vann',
        concern: 'Coolant loss',
        bay: null,
        promisedAt: null,
      };
      return ask('/api/orders', { order, head });
    },
    orders: async () => (await ask('/api/orders?all=yes')).body,
  };
}
