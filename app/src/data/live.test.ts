import { FakeEventSource } from '../../test/fakeEventSource';
import { startLive } from './live';
import { queryClient } from './queries';
import { queryKeys } from './queryKeys';
import { isLive } from './stream';

const mockLooked: (string | null)[] = [];
jest.mock('./stream', () => ({
  ...jest.requireActual<typeof import('./stream')>('./stream'),
  tellHint: (run: string | null) => void mockLooked.push(run),
}));

/** What was asked again where it is shown, and what only when it is next shown. */
const asked = { again: [] as string[], later: [] as string[] };
let stop: () => void = () => undefined;

beforeEach(() => {
  jest.useFakeTimers();
  FakeEventSource.install();
  jest.spyOn(queryClient, 'invalidateQueries').mockImplementation((filters) => {
    const list = filters?.refetchType === 'none' ? asked.later : asked.again;
    list.push((filters?.queryKey ?? []).join(' '));
    return Promise.resolve();
  });
  stop = startLive();
  FakeEventSource.all[0]?.say('hello', '{}');
  forget();
});
afterEach(() => {
  stop();
  jest.runOnlyPendingTimers();
  jest.useRealTimers();
  jest.restoreAllMocks();
});
function forget(): void {
  asked.again = [];
  asked.later = [];
  mockLooked.length = 0;
}
const hear = (topic: string): void => FakeEventSource.all[0]?.say('message', topic);
const LISTS = [queryKeys.everyOrder, queryKeys.today, queryKeys.orders].map((key) => key.join(' '));

test('a pull is followed at once where the run is watched, in lists after some seconds, once for all', () => {
  hear('pulls:one');
  hear('pulls:two');
  hear('pulls:one');
  expect(mockLooked).toEqual(['one', 'two', 'one']);
  expect(asked.again).toEqual([]);
  expect(asked.later).toEqual(expect.arrayContaining([...LISTS, 'signing one', 'signing two']));
  jest.advanceTimersByTime(9_000);
  expect(asked.again).toEqual([]);
  jest.advanceTimersByTime(2_000);
  expect(asked.again).toEqual([...LISTS, 'signing one', 'signing two']);
  expect(asked.later).not.toContain('statements one');
  forget();
  jest.advanceTimersByTime(60_000);
  expect(asked.again).toEqual([]);
  hear('pulls:two');
  jest.advanceTimersByTime(11_000);
  expect(asked.again).toEqual([...LISTS, 'signing two']);
});

test('anything else in a run is asked for at once, with what was said and signed', () => {
  hear('run:one');
  expect(mockLooked).toEqual(['one']);
  expect(asked.again).toEqual([...LISTS, 'statements one', 'signing one']);
});

test('a repair order is followed at once', () => {
  hear('orders');
  expect(mockLooked).toEqual([null]);
  expect(asked.again).toEqual([...LISTS, queryKeys.followUps.join(' ')]);
});

test('a stream that is lost is noted, and what is shown is asked for', () => {
  expect(isLive()).toBe(true);
  FakeEventSource.all[0]?.fail('tries again');
  expect(isLive()).toBe(false);
  expect(mockLooked).toEqual([]);
  expect(asked.again).toEqual(LISTS);
});
