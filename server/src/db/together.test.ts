import { type AppError } from '@stennet/core/errors';
import { together } from './together';

/** A database that keeps what it is given when it is told to. */
function database(refuses: (one: string) => boolean = () => false): {
  add: (shop: string, one: string) => Promise<void>;
  kept: string[][];
  goOn: () => Promise<void>;
} {
  const kept: string[][] = [];
  const under: (() => void)[] = [];
  const add = together<string>(async (_shop, all) => {
    await new Promise<void>((done) => under.push(done));
    const refused = all.find(refuses);
    if (refused !== undefined) throw new Error(refused);
    kept.push([...all]);
  });
  const goOn = async (): Promise<void> => {
    while (under.length > 0) {
      under.shift()?.();
      for (let i = 0; i < 5; i += 1) await Promise.resolve();
    }
  };
  return { add, kept, goOn };
}
const names = (n: number): string[] => Array.from({ length: n }, (_, i) => `entry ${i}`);

test('the first goes at once; what comes meanwhile goes together, in order, thirty-two at most', async () => {
  const { add, kept, goOn } = database();
  const all = names(40).map((one) => add('shop', one));
  await goOn();
  await Promise.all(all);
  expect(kept.map((batch) => batch.length)).toEqual([1, 32, 7]);
  expect(kept.flat()).toEqual(names(40));
});

test('one shop does not wait for another', async () => {
  const { add, kept, goOn } = database();
  const all = [add('one', 'a'), add('other', 'b')];
  await goOn();
  await Promise.all(all);
  expect(kept).toEqual([['a'], ['b']]);
});

test('where one of them is refused, each goes by itself, and only that one is told', async () => {
  const { add, kept, goOn } = database((one) => one === 'entry 2');
  const said = Promise.allSettled(names(5).map((one) => add('shop', one)));
  await goOn();
  expect((await said).map((s) => s.status)).toEqual([
    'fulfilled',
    'fulfilled',
    'rejected',
    'fulfilled',
    'fulfilled',
  ]);
  expect(kept.flat()).toEqual(['entry 0', 'entry 1', 'entry 3', 'entry 4']);
});

test('behind a database that hangs, who waits is told so after five seconds, and is not kept later', async () => {
  jest.useFakeTimers();
  const { add, kept, goOn } = database();
  const first = add('shop', 'a');
  const second = add('shop', 'b').catch((e: unknown) => (e as AppError).code);
  jest.advanceTimersByTime(5000);
  expect(await second).toBe('OFFLINE');
  jest.useRealTimers();
  const third = add('shop', 'c');
  await goOn();
  await Promise.all([first, third]);
  expect(kept).toEqual([['a'], ['c']]);
});
