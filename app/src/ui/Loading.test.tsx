import { render, screen } from '@testing-library/react-native';
import { PaperProvider } from 'react-native-paper';
import { Loading } from './Loading';
import { lightTheme } from './theme';

test('says what is on its way, and draws nothing anew while it waits', () => {
  jest.useFakeTimers();
  const frames = jest.spyOn(globalThis, 'requestAnimationFrame');
  render(
    <PaperProvider theme={lightTheme}>
      <Loading text="Loading sheets" rows={4} />
    </PaperProvider>,
  );
  expect(screen.getByLabelText('Loading sheets')).toBeTruthy();
  jest.advanceTimersByTime(5_000);
  // Each frame asked for would push aside the screen that is being made ready.
  expect(frames).not.toHaveBeenCalled();
  expect(jest.getTimerCount()).toBe(0);
  frames.mockRestore();
  jest.useRealTimers();
});
