import { render, screen } from '@testing-library/react-native';
import { PaperProvider } from 'react-native-paper';
import { SavedBadge } from './SavedBadge';
import { lightTheme } from './theme';

const words = (
  unsent: number,
  refused: number,
  state: 'idle' | 'sending' | 'offline' | 'signIn',
): void => {
  render(
    <PaperProvider theme={lightTheme}>
      <SavedBadge unsent={unsent} refused={refused} state={state} />
    </PaperProvider>,
  );
};

test.each([
  [0, 0, 'idle', 'saved'],
  [3, 0, 'sending', '3 to send'],
  [3, 0, 'offline', 'offline, 3 to send'],
  [2, 0, 'signIn', 'sign in to send 2'],
  [0, 1, 'idle', '1 rejected'],
] as const)('%s unsent, %s refused, %s: “%s”', (unsent, refused, state, said) => {
  words(unsent, refused, state);
  expect(screen.getByText(said)).toBeTruthy();
});
