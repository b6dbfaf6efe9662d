import { FakeEventSource } from '../../test/fakeEventSource';
import { eventStream } from './eventStream';

beforeEach(() => {
  jest.useFakeTimers();
  FakeEventSource.install();
});
afterEach(() => jest.useRealTimers());

const opened = () => {
  const heard: string[] = [];
  const lost = jest.fn();
  const close = eventStream(
    '/stream',
    { hello: (d) => heard.push(`hello ${d}`), message: (d) => heard.push(d) },
    lost,
  );
  return { heard, lost, close };
};

test('what comes by a name goes to who asked for that name', () => {
  const { heard, close } = opened();
  const [source] = FakeEventSource.all;
  source?.say('hello', '1');
  source?.say('message', 'run:7');
  source?.say('else', 'x');
  expect(heard).toEqual(['hello 1', 'run:7']);
  close();
});

test('a lost connection is said; the browser tries again by itself, no one beside it', () => {
  const { lost, close } = opened();
  FakeEventSource.all[0]?.fail('tries again');
  expect(lost).toHaveBeenCalledTimes(1);
  jest.advanceTimersByTime(60_000);
  expect(FakeEventSource.all).toHaveLength(1);
  close();
});

test('one that the browser gave up is opened again, and goes on being heard', () => {
  const { heard, lost, close } = opened();
  FakeEventSource.all[0]?.fail('gives up');
  jest.advanceTimersByTime(9_000);
  expect(FakeEventSource.all).toHaveLength(1);
  jest.advanceTimersByTime(2_000);
  expect(FakeEventSource.all).toHaveLength(2);
  FakeEventSource.all[1]?.say('message', 'run:8');
  expect(heard).toEqual(['run:8']);
  FakeEventSource.all[1]?.fail('gives up');
  jest.advanceTimersByTime(11_000);
  expect(FakeEventSource.all).toHaveLength(3);
  expect(lost).toHaveBeenCalledTimes(2);
  close();
});

test('closed is closed, also while it waits to be opened again', () => {
  const { close } = opened();
  FakeEventSource.all[0]?.fail('gives up');
  close();
  jest.advanceTimersByTime(60_000);
  expect(FakeEventSource.all).toHaveLength(1);
  expect(FakeEventSource.all[0]?.readyState).toBe(FakeEventSource.CLOSED);
});
