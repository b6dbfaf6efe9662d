import type { AddressInfo } from 'node:net';
import * as v from 'valibot';
import { WrenchHelloSchema, WrenchLiveSchema, WrenchPullSchema } from '@stennet/core/trace';
import { simulatedWrench } from './wrench';

const server = simulatedWrench('Wrench <4>');
let url = '';
beforeAll(async () => {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

const turn = (body: unknown, headers: Record<string, string> = {}) =>
  fetch(`${url}/turn`, { method: 'POST', body: JSON.stringify(body), headers });

/** The next messages of a stream. */
async function* heard(): AsyncGenerator<{ event: string; data: unknown }> {
  const { body } = await fetch(`${url}/stream`);
  if (!body) throw new Error('no stream');
  let text = '';
  for await (const piece of body.pipeThrough(new TextDecoderStream())) {
    text += piece;
    for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
      const [event = '', data = ''] = text.slice(0, end).split('\n');
      text = text.slice(end + 2);
      if (event.startsWith('event: '))
        yield { event: event.slice(7), data: JSON.parse(data.slice(6)) };
    }
  }
}

test('says who it is, and then each pull with what it saw; the same seed is the same pull', async () => {
  const stream = heard();
  const hello = (await stream.next()).value;
  expect(v.parse(WrenchHelloSchema, hello?.data).name).toBe('Wrench <4>');
  expect((await stream.next()).value).toEqual({
    event: 'state',
    data: { battery: 100, inReach: true },
  });
  const task = { to: { unit: 'N.m', value: 62 }, seed: 5 };
  expect(await (await turn(task)).json()).toMatchObject({ heardBy: 1 });
  const first = v.parse(WrenchPullSchema, (await stream.next()).value?.data);
  expect(first.peak.value).toBeGreaterThan(60);
  expect(first.trace.simulated).toBe(true);
  await turn(task);
  const again = v.parse(WrenchPullSchema, (await stream.next()).value?.data);
  expect(again.trace).toEqual(first.trace);
  expect(again.id).not.toBe(first.id);
  await turn({ to: { unit: 'deg', value: 90 } });
  expect(v.parse(WrenchPullSchema, (await stream.next()).value?.data).turned?.unit).toBe('deg');
  await stream.return(undefined);
});

test('what it reads on the way is heard before the pull, and how it is with it at any time', async () => {
  const stream = heard();
  await stream.next();
  await stream.next();
  const pulled = turn({ to: { unit: 'N.m', value: 40 }, seed: 5, seconds: 0.3 });
  const live: number[] = [];
  let next = (await stream.next()).value;
  for (; next?.event === 'live'; next = (await stream.next()).value)
    live.push(v.parse(WrenchLiveSchema, next.data).torque.value);
  expect(live).toHaveLength(6);
  expect(next?.event).toBe('pull');
  await pulled;
  const state = { zeroing: true, battery: 9, unit: '[ft_i].[lbf_av]' };
  const post = (body: unknown) =>
    fetch(`${url}/state`, { method: 'POST', body: JSON.stringify(body) });
  expect((await post(state)).status).toBe(200);
  expect((await stream.next()).value).toEqual({ event: 'state', data: state });
  expect((await post({ battery: 400 })).status).toBe(400);
  await post({ battery: 100, inReach: true });
  await stream.return(undefined);
});

test.each([
  ['no torque', {}],
  ['another unit', { to: { unit: '[ft_i].[lbf_av]', value: 40 } }],
  ['more than any wrench', { to: { unit: 'N.m', value: 4000 } }],
  ['a field too many', { to: { unit: 'N.m', value: 40 }, x: 1 }],
])('%s is refused in words', async (_what, task) => {
  const reply = await turn(task);
  expect(reply.status).toBe(400);
  expect(((await reply.json()) as { problem: string }).problem).toMatch(/torque/);
});

test('what is no JSON, what is too long and another page are refused', async () => {
  expect((await fetch(`${url}/turn`, { method: 'POST', body: 'x' })).status).toBe(400);
  expect((await fetch(`${url}/turn`, { method: 'POST', body: ' '.repeat(9000) })).status).toBe(400);
  expect(
    (await turn({ to: { unit: 'N.m', value: 40 } }, { Origin: 'http://elsewhere.test' })).status,
  ).toBe(403);
  expect((await fetch(`${url}/else`)).status).toBe(404);
});

test('its page names it, whatever stands on it', async () => {
  const html = await (await fetch(url)).text();
  expect(html).toContain('Wrench &#60;4&#62;');
  expect(html).not.toContain('<4>');
});
