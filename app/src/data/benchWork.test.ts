import { act, renderHook } from '@testing-library/react-native';
import { useBenchWork } from './benchWork';

const ended: string[] = [];
class FakeWorker {
  terminate = (): void => void ended.push('ended');
}
jest.mock('comlink', () => ({ wrap: () => ({}), proxy: (f: unknown) => f }));
beforeEach(() => {
  ended.length = 0;
  Object.assign(globalThis, { Worker: FakeWorker });
});

/** Work that is told apart by its name, and finished by hand. */
function workBy() {
  const jobs: {
    onPart: (share: number) => void;
    resolve: (value: string) => void;
    reject: (error: Error) => void;
  }[] = [];
  const work = (_bench: unknown, onPart: (share: number) => void): Promise<string> =>
    new Promise((resolve, reject) => void jobs.push({ onPart, resolve, reject }));
  const shown = renderHook(({ about }: { about: string }) => useBenchWork(about, work), {
    initialProps: { about: 'one' },
  });
  return { jobs, ...shown };
}

test('says how far it is, and what came out; what is told after that changes nothing', async () => {
  const { jobs, result } = workBy();
  act(() => jobs[0]?.onPart(0.5));
  expect(result.current).toMatchObject({ state: 'busy', share: 0.5 });
  await act(async () => jobs[0]?.resolve('out'));
  expect(result.current).toMatchObject({ state: 'done', result: 'out' });
  act(() => jobs[0]?.onPart(1));
  expect(result.current).toMatchObject({ state: 'done', result: 'out' });
  expect(ended).toEqual(['ended']);
});

test('another question ends the work on the one before, whose answer is lost', async () => {
  const { jobs, result, rerender } = workBy();
  rerender({ about: 'two' });
  expect(ended).toEqual(['ended']);
  await act(async () => jobs[0]?.resolve('old'));
  expect(result.current).toMatchObject({ state: 'busy', result: null });
  await act(async () => jobs[1]?.resolve('new'));
  expect(result.current.result).toBe('new');
});

test('stopped at once, and begun again on a word; a failure is said', async () => {
  const { jobs, result } = workBy();
  act(() => result.current.stop());
  expect(result.current.state).toBe('stopped');
  expect(ended).toEqual(['ended']);
  act(() => result.current.again());
  expect(result.current.state).toBe('busy');
  await act(async () => jobs[1]?.reject(new Error('broke')));
  expect(result.current).toMatchObject({ state: 'failed', result: null });
});
