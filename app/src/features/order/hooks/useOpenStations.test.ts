import { act, renderHook } from '@testing-library/react-native';
import type { StationName } from '@stennet/core/order';
import { useOpenStations } from './useOpenStations';

const stations = (next: StationName) =>
  renderHook((props: { next: StationName }) => useOpenStations(props.next), {
    initialProps: { next },
  });

test('the station that is next stands open at once', () => {
  expect([...stations('teardown').result.current.open]).toEqual(['teardown']);
});

test('an answer that moves the work on opens the next station and folds up none', () => {
  const hook = stations('teardown');
  hook.rerender({ next: 'tighten' });
  expect([...hook.result.current.open]).toEqual(['teardown', 'tighten']);
});

test('what was closed by hand stays closed while the same one is next', () => {
  const hook = stations('tighten');
  act(() => hook.result.current.toggle('tighten'));
  hook.rerender({ next: 'tighten' });
  expect([...hook.result.current.open]).toEqual([]);
  act(() => hook.result.current.toggle('tighten'));
  expect([...hook.result.current.open]).toEqual(['tighten']);
});

test('what was opened by hand is still open when it becomes next', () => {
  const hook = stations('teardown');
  act(() => hook.result.current.toggle('sign'));
  hook.rerender({ next: 'sign' });
  expect([...hook.result.current.open]).toEqual(['teardown', 'sign']);
});
