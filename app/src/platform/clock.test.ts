import { hearServer, now, steadyNow } from './clock';

afterEach(() => jest.useRealTimers());

test('a clock that is put forward shortens no wait; a device that slept is told by the server how long', () => {
  jest.useFakeTimers();
  const from = steadyNow().getTime();
  const waited = (): number => Math.round((steadyNow().getTime() - from) / 1000);
  const server = Date.now();
  hearServer(server);
  jest.advanceTimersByTime(60_000);
  expect(waited()).toBe(60);
  // Put forward by half an hour: the time shown jumps, the wait does not.
  jest.setSystemTime(Date.now() + 30 * 60_000);
  expect(now().getTime() - from).toBeGreaterThan(30 * 60_000);
  expect(waited()).toBe(60);
  hearServer(server + 60_000);
  expect(waited()).toBe(60);
  // Asleep for ten minutes.
  hearServer(server + 660_000);
  expect(waited()).toBe(660);
});
