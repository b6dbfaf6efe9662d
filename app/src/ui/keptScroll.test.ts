import { renderHook } from '@testing-library/react-native';
import { Platform, type NativeScrollEvent, type NativeSyntheticEvent } from 'react-native';

const scrolledTo = (y: number) =>
  ({ nativeEvent: { contentOffset: { y } } }) as NativeSyntheticEvent<NativeScrollEvent>;

test('a page that comes back in pieces is scrolled until its place is there', () => {
  jest.replaceProperty(Platform, 'OS', 'web');
  let goBack = (): void => undefined;
  Object.assign(window, {
    location: { href: '/orders' },
    addEventListener: (_name: string, listener: () => void) => (goBack = listener),
  });
  const { useKeptScroll } = jest.requireActual<typeof import('./keptScroll')>('./keptScroll');
  const before = renderHook(() => useKeptScroll());
  before.result.current.onScroll(scrolledTo(900));
  before.unmount();

  goBack();
  const { current } = renderHook(() => useKeptScroll()).result;
  const scrollTo = jest.fn();
  current.ref.current = { scrollTo } as never;
  current.onLayout({ nativeEvent: { layout: { height: 700 } } } as never);
  // Tall enough for the offset, not for the screen below it: the browser stops short.
  current.onContentSizeChange(390, 950);
  current.onScroll(scrolledTo(250));
  current.onContentSizeChange(390, 2000);
  expect(scrollTo).toHaveBeenCalledTimes(2);
  expect(scrollTo).toHaveBeenLastCalledWith({ y: 900, animated: false });
  // There: what comes from now on moves nothing.
  current.onContentSizeChange(390, 2400);
  expect(scrollTo).toHaveBeenCalledTimes(2);
});
