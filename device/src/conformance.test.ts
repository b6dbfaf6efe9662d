import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { simulateWrench } from '@stennet/core/trace';
import { conformance } from './conformance';
import { simulatedWrench } from './wrench';

async function at(server: http.Server): Promise<string> {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}
const off = (server: http.Server): void => {
  server.closeAllConnections();
  server.close();
};

test('the simulated wrench speaks its own protocol', async () => {
  const server = simulatedWrench('Wrench 4');
  const url = await at(server);
  const turn = (): void =>
    void fetch(`${url}/turn`, {
      method: 'POST',
      body: JSON.stringify({ to: { unit: 'N.m', value: 30 } }),
    });
  const found = await conformance(url, turn, 5000);
  off(server);
  expect(found.map((f) => f.fault)).toEqual([null, null, null, null, null, null]);
  expect(found.map((f) => f.what)).toContain('“state” is as it should be');
});

test('an adapter that is wrong is told where: no origin, no name, a peak in another unit', async () => {
  const { trace } = simulateWrench({ to: { unit: 'N.m', value: 30 } }, 3, 'Wrench 4');
  const server = http.createServer((_req, res) => {
    res.writeHead(200, { 'Content-Type': 'text/event-stream' });
    res.write('event: wrench\ndata: {"format":"stennet-wrench","v":1}\n\n');
    const pull = {
      id: '6d1f9c1e-8b1c-4d0e-9a56-000000000001',
      peak: { value: 265, unit: 'N.m' },
      trace,
    };
    res.write(`event: pull\ndata: ${JSON.stringify(pull)}\n\n`);
  });
  const found = await conformance(await at(server), () => undefined, 2000);
  off(server);
  expect(found.filter((f) => f.fault).map((f) => f.fault)).toEqual([
    'Access-Control-Allow-Origin: * is missing.',
    expect.stringMatching(/^name: expected/),
    expect.stringMatching(/^Its peak is 265\.0 N·m, but its trace goes up to 3\d\.\d/),
  ]);
});

test('another version is named, and what is said wrongly beside the pull', async () => {
  const server = http.createServer((_req, res) => {
    res.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Access-Control-Allow-Origin': '*',
    });
    res.write('event: wrench\ndata: {"format":"stennet-wrench","v":2,"name":"W"}\n\n');
    res.write('event: state\ndata: {"battery":101}\n\n');
    res.write('event: moon\ndata: {"full":true}\n\n');
    res.write('event: live\ndata: {"torque":{"value":20,"unit":"N.m"}}\n\n');
  });
  const found = await conformance(await at(server), () => undefined, 300);
  off(server);
  expect(found.filter((f) => f.fault)).toEqual([
    {
      what: 'it says first which wrench it is',
      fault: 'It speaks version 2; this Stennet speaks version 1.',
    },
    { what: '“state” is as it should be', fault: expect.stringMatching(/^battery: expected/) },
    { what: 'one pull is heard', fault: 'No pull came.' },
  ]);
  expect(found.map((f) => f.what)).not.toContain('“moon” is as it should be');
});

test('where nothing answers, that is said at once', async () => {
  expect(await conformance('http://127.0.0.1:9', () => undefined, 100)).toEqual([
    { what: 'it answers', fault: 'Nothing answers at http://127.0.0.1:9/stream.' },
  ]);
});
