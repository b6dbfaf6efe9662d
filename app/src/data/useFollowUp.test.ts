import 'fake-indexeddb/auto';
import { act, renderHook } from '@testing-library/react-native';
import type { FollowUp } from '@stennet/core/contract';
import { leave } from './leaving';
import { useFollowUp, useSteadyFollowUps } from './useFollowUp';

jest.mock('./account', () => ({
  useSignedIn: () => ({
    format: {},
    me: { person: { id: 'petra' }, shop: { id: 'halden', timeZone: 'UTC' }, role: 'adviser' },
  }),
}));
jest.mock('./records', () => ({ settleFollowUp: () => Promise.resolve() }));

const followUp = (id: string, dueOn: string): FollowUp => ({ id, dueOn }) as FollowUp;
const [oil, nuts] = [followUp('oil', '2026-12-20'), followUp('nuts', '2026-12-01')];
const groupOf = (f: FollowUp): string => (f.dueOn < '2026-12-10' ? 'overdue' : 'later');
beforeEach(() => leave());

test('what is being written of one stays in its place when the list is sorted again, and finds its new place afterwards', async () => {
  const row = await renderHook(() => useFollowUp(oil));
  const list = await renderHook(
    ({ due }: { due: FollowUp[] }) => useSteadyFollowUps(due, groupOf),
    { initialProps: { due: [nuts, oil] } },
  );
  const shown = () => list.result.current.map((s) => `${s.followUp.id} ${s.group}`);
  await act(() => row.result.current.onForm({ asking: 'declined' }));
  // An odometer was read in the meantime: the oil is overdue now and comes first.
  const late = { ...oil, dueOn: '2026-11-20' };
  await list.rerender({ due: [late, nuts] });
  expect(shown()).toEqual(['nuts overdue', 'oil later']);
  await act(() => row.result.current.onForm({ note: 'Does it himself.' }));
  expect(row.result.current.form).toEqual({
    asking: 'declined',
    note: 'Does it himself.',
    km: null,
  });
  await act(() => row.result.current.onForm(null));
  expect(shown()).toEqual(['oil overdue', 'nuts overdue']);
});
