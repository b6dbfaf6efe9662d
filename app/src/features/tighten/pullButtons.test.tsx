import { fireEvent, render, screen } from '@testing-library/react-native';
import { PaperProvider } from 'react-native-paper';
import { demoSheets, Technician } from '@stennet/core/testing';
import { next, type PullNext } from '@stennet/core/run';
import { lightTheme } from '@/ui';
import { answersTo } from './answers';
import { PullButtons } from './parts/PullButtons';

/** The first two pulls in a row that offer the same answers, and a later one that offers others. */
function pulls(): { first: PullNext; second: PullNext; other: PullNext } {
  const said = (due: PullNext): string =>
    answersTo(due)
      .map((a) => a.label + a.hint)
      .join();
  for (const sheet of demoSheets) {
    const t = new Technician(sheet);
    const found: PullNext[] = [];
    for (let i = 0; i < 400; i += 1) {
      const due = next(t.state);
      if (due.kind === 'pull') found.push(due);
      if (!t.step()) break;
    }
    const at = found.findIndex((due, i) => i > 0 && said(due) === said(found[i - 1] ?? due));
    const [first, second] = [found[at - 1], found[at]];
    const other = found.slice(at).find((due) => first && said(due) !== said(first));
    if (first && second && other) return { first, second, other };
  }
  throw new Error('no such pulls');
}

const buttons = (due: PullNext, given: string[], pull: string) => (
  <PaperProvider theme={lightTheme}>
    <PullButtons
      due={due}
      answers={answersTo(due)}
      mustRead={false}
      together={null}
      onTogether={() => undefined}
      onGive={(outcome) => given.push(`${pull}: ${outcome}`)}
      onGoBack={() => given.push(`${pull}: go back`)}
      onReading={() => undefined}
      onTool={() => undefined}
      onWrong={() => undefined}
    />
  </PaperProvider>
);

test('a button that was not drawn again answers for the pull that is due now', () => {
  const { first, second, other } = pulls();
  const given: string[] = [];
  const press = (due: PullNext): void =>
    fireEvent.press(screen.getByText(answersTo(due)[0]?.label ?? ''));
  const { rerender } = render(buttons(first, given, 'first'));
  press(first);
  rerender(buttons(second, given, 'second'));
  press(second);
  fireEvent.press(screen.getByText('Go back'));
  rerender(buttons(other, given, 'other'));
  press(other);
  expect(given).toEqual([
    `first: ${first.outcomes[0]}`,
    `second: ${second.outcomes[0]}`,
    'second: go back',
    `other: ${other.outcomes[0]}`,
  ]);
});
