import { fireEvent, render, screen } from '@testing-library/react-native';
import { PaperProvider } from 'react-native-paper';
import { createFormatter } from '@stennet/core/quantity';
import { lightTheme } from '@/ui';
import { ReadingForm } from './parts/ReadingForm';

const mockFormat = createFormatter({
  locale: 'en-US',
  timeZone: 'UTC',
  paper: 'Letter',
  torqueUnit: 'N.m',
});
jest.mock('@/data', () => ({ useSignedIn: () => ({ format: mockFormat }) }));

const record = jest.fn();
function type(value: string): void {
  record.mockClear();
  render(
    <PaperProvider theme={lightTheme}>
      <ReadingForm
        title="Reading"
        label="Torque, N·m"
        hint=""
        expected={{ value: 27, unit: 'N.m' }}
        onRecord={record}
      />
    </PaperProvider>,
  );
  fireEvent.changeText(screen.getByLabelText('Torque, N·m'), value);
  fireEvent.press(screen.getByRole('button', { name: 'Record' }));
}

test('a reading near what was asked for counts at once', () => {
  type('26.5');
  expect(record).toHaveBeenCalledWith(26.5);
});

test('a reading that fits in pound-inches is asked about, and counts in the unit it was read in', () => {
  type('240');
  expect(record).not.toHaveBeenCalled();
  expect(screen.getByText('Read in lbf·in? The sheet asks for 27 N·m.')).toBeTruthy();
  fireEvent.press(screen.getByRole('button', { name: /240 lbf·in/ }));
  expect(record).toHaveBeenCalledWith(240, '[in_i].[lbf_av]');
});

test('or as it was typed, where that is what the wrench says', () => {
  type('240');
  fireEvent.press(screen.getByRole('button', { name: /240 N·m/ }));
  expect(record).toHaveBeenCalledWith(240);
});
