import 'fake-indexeddb/auto';
import { QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor } from '@testing-library/react-native';
import type { ComponentType } from 'react';
import { PaperProvider } from 'react-native-paper';
import type { Me } from '@stennet/core/contract';
import { createFormatter } from '@stennet/core/quantity';
import { canonicalJson, sha256Hex } from '@stennet/core/record';
import { headSheet, PLACE, Technician } from '@stennet/core/testing';
import { queryClient } from '@/data';
import { SignedIn } from '@/data/account';
import { EditorScreen } from '@/features/editor';
import { HistoryScreen } from '@/features/history';
import { LibraryScreen } from '@/features/library';
import { RecordScreen } from '@/features/record';
import { SheetScreen } from '@/features/sheet';
import { TodayScreen } from '@/features/today';
import { lightTheme } from '@/ui';

// Each screen in each state that someone meets it in, by what the server answers.
const STYLE = { locale: 'en-US', timeZone: 'UTC', paper: 'Letter', torqueUnit: 'N.m' } as const;
const me = {
  person: { id: PLACE.person, name: 'Ines Corte' },
  role: 'lead',
  shop: { id: PLACE.shop, name: 'Halden Quay', secondSignature: 'asked', ...STYLE },
  shops: [],
} as unknown as Me;
let mockParams: Record<string, string> = {};
jest.mock('expo-router', () => ({
  useRouter: () => ({ navigate: jest.fn(), replace: jest.fn(), push: jest.fn() }),
  useLocalSearchParams: () => mockParams,
  usePathname: () => '/',
  useIsFocused: () => true,
  Link: ({ children }: { children: unknown }) => children,
}));

const done = new Technician(headSheet);
const events = done.finish();
const hash = sha256Hex(canonicalJson(headSheet));
const order = { id: 'o1', number: '2417', vehicle: 'Brenna 2.0', joint: 'Cylinder head' };
const vehicle = {
  ...{ maker: 'Corvane', model: 'Brenna', engine: 'CB20', vin: 'ZZ9BREN20H0002417' },
  ...{ plate: 'HQ 417', built: '2019-03-01' },
};

interface Case {
  Screen: ComponentType;
  params?: Record<string, string>;
  loading: string;
  failed: string;
  /** What the server says when there is nothing, and what the screen then says. */
  empty?: readonly [reply: object, says: string | RegExp];
  ready: readonly [reply: object, says: string | RegExp];
}
const line = {
  ...{ run: 'r1', order: 'o1', number: '2374', customer: 'Oduya', vehicle, part: 'procedure' },
  ...{ joint: 'Cylinder head', instance: null, state: 'finished', signing: 'signed' },
  ...{ sheet: headSheet.id, revision: 'C', title: headSheet.title, at: '2026-11-01T10:00:00Z' },
};
const CASES: Record<string, Case> = {
  today: {
    Screen: TodayScreen,
    loading: 'Loading today’s repair orders',
    failed: 'Couldn’t load today’s orders',
    empty: [{ orders: [], overdue: 0 }, 'No open repair orders'],
    ready: [{ orders: [], overdue: 2 }, 'Follow-ups, 2 overdue'],
  },
  history: {
    Screen: HistoryScreen,
    params: { by: 'vehicle', vin: vehicle.vin },
    loading: 'Searching the history',
    failed: 'Couldn’t load the history',
    empty: [{ lines: [], foreign: [], next: null }, 'Nothing found'],
    ready: [{ lines: [line], foreign: [], next: null }, /2374/],
  },
  library: {
    Screen: LibraryScreen,
    loading: 'Opening the library',
    failed: 'Couldn’t open the library',
    empty: [{ standing: 0, drafts: [], replaced: [], soleLead: true }, 'No drafts.'],
    ready: [
      {
        standing: 3,
        replaced: [],
        soleLead: true,
        drafts: [
          {
            ...{ sheet: 's1', revision: 'D', title: 'Head, early', maker: 'Corvane' },
            ...{ engine: 'CB20', kind: 'cylinder-head', version: 1, basedOn: 'C' },
            ...{ editor: { id: 'p2', name: 'Mei Sandoval' }, editedAt: '2026-11-01T10:00:00Z' },
            ...{ errors: 1, warnings: 0, imported: false },
          },
        ],
      },
      /Head, early/,
    ],
  },
  sheet: {
    Screen: SheetScreen,
    params: { sheet: headSheet.id, revision: headSheet.revision },
    loading: 'Opening sheet',
    failed: 'Couldn’t open the sheet',
    ready: [
      { sheet: headSheet, hash, approval: null, draft: null, related: [], uses: [] },
      'Stages',
    ],
  },
  record: {
    Screen: RecordScreen,
    // A run is kept by its id: what was answered once stays.
    params: { run: PLACE.run },
    loading: 'Opening record',
    failed: 'Couldn’t open the record',
    ready: [
      {
        ...{ id: PLACE.run, joint: PLACE.joint, order: { ...order, job: 'Head off', built: '' } },
        ...{ sheet: headSheet, sheetHash: hash, supersededBy: null },
        ...{ events, headHash: hash, people: { [PLACE.person]: 'Jonah Pike' } },
      },
      'Tightened values',
    ],
  },
  editor: {
    Screen: EditorScreen,
    params: { sheet: 'own-head' },
    loading: 'Opening draft',
    failed: 'Couldn’t open the draft',
    ready: [
      {
        ...{ draft: { ...headSheet, id: 'own-head' }, version: 1, basedOn: null },
        ...{ editor: { id: PLACE.person, name: 'Ines Corte' }, editedAt: '2026-11-01T10:00:00Z' },
        ...{ imported: false, related: [], soleLead: true },
      },
      /draft of rev/,
    ],
  },
};

type Answer = () => Promise<Response>;
const never: Answer = () => new Promise(() => undefined);
const away: Answer = () => Promise.reject(new TypeError('no network'));
const reply = (body: object, status = 200): Answer => {
  const headers = { 'Content-Type': 'application/json' };
  return () => Promise.resolve(new Response(JSON.stringify(body), { status, headers }));
};
const broken = reply({ error: { code: 'INTERNAL', params: {} } }, 500);

/** A screen on its own, with what the server says to what it asks first. */
async function show({ Screen, params = {} }: Case, answer: Answer): Promise<void> {
  mockParams = params;
  global.fetch = jest.fn(answer) as never;
  await render(
    <QueryClientProvider client={queryClient}>
      <PaperProvider theme={lightTheme}>
        <SignedIn.Provider value={{ me, format: createFormatter(STYLE) }}>
          <Screen />
        </SignedIn.Provider>
      </PaperProvider>
    </QueryClientProvider>,
  );
}

// What the screens take of a browser: what it tells them, and nothing that it draws.
beforeAll(() => {
  const listens = { addEventListener: jest.fn(), removeEventListener: jest.fn() };
  Object.assign(window, listens, { matchMedia: () => ({ matches: true, ...listens }) });
  Object.assign(global, {
    document: { ...listens, title: '', cookie: '', visibilityState: 'visible', hidden: false },
  });
});
// Nothing that was answered is kept for later: its timer would hold the test open.
queryClient.setDefaultOptions({
  queries: { ...queryClient.getDefaultOptions().queries, gcTime: Infinity },
});
afterEach(() => queryClient.clear());

describe.each(Object.entries(CASES))('%s', (_name, one) => {
  test('says that it is on its way', async () => {
    await show(one, never);
    expect(screen.getByText(one.loading)).toBeTruthy();
  });

  test('says that the server failed, and asks again when told to', async () => {
    await show(one, broken);
    expect(await screen.findByText(one.failed)).toBeTruthy();
    const asked = (global.fetch as jest.Mock).mock.calls.length;
    await fireEvent.press(screen.getByText('Try again'));
    const { calls } = (global.fetch as jest.Mock).mock;
    await waitFor(() => expect(calls.length).toBeGreaterThan(asked));
  });

  test('says that the server is out of reach, and what goes on', async () => {
    await show(one, away);
    expect(
      await screen.findByText(/Can’t reach the server|Offline/, {}, { timeout: 5000 }),
    ).toBeTruthy();
  });

  const { empty } = one;
  if (empty)
    test('says what it means that there is nothing', async () => {
      await show(one, reply(empty[0]));
      expect((await screen.findAllByText(empty[1])).length).toBeGreaterThan(0);
    });

  test('shows what is there', async () => {
    await show(one, reply(one.ready[0]));
    expect((await screen.findAllByText(one.ready[1])).length).toBeGreaterThan(0);
  });
});
