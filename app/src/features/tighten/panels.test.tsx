import fc from 'fast-check';
import { render, screen } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { PaperProvider } from 'react-native-paper';
import { createFormatter } from '@stennet/core/quantity';
import { AppError } from '@stennet/core/errors';
import { checkSheet, type Sheet } from '@stennet/core/procedure';
import { next, type RunState } from '@stennet/core/run';
import {
  buildSheet,
  demoSheet,
  demoSheets,
  moveArbitrary,
  perform,
  PLACE,
  planArbitrary,
  Technician,
} from '@stennet/core/testing';
import type { RunView } from '@/data/runStore';
import { lightTheme } from '@/ui';
import type { Acts } from './hooks/useActs';
import { RunPlaceProvider } from './hooks/useRunPlace';
import { Panel } from './parts/Panel';
import { MapOf, RibbonOf } from './parts/RunDrawings';
import { text } from './text';

const format = createFormatter({
  locale: 'en-US',
  timeZone: 'UTC',
  paper: 'Letter',
  torqueUnit: 'N.m',
});
const mockMe = {
  person: { id: PLACE.person, name: 'Jonah Pike' },
  role: 'technician',
  shop: { id: PLACE.shop, name: 'Halden Quay' },
};
const mockFormat = format;
jest.mock('expo-router', () => ({
  useRouter: () => ({ navigate: jest.fn(), replace: jest.fn() }),
}));
jest.mock('@/data', () => ({
  useSignedIn: () => ({ me: mockMe, format: mockFormat }),
  useWrenchLive: () => null,
  useTools: () => ({ data: { tools: [] } }),
  inUse: () => [],
  usePeople: () => ({ data: { people: [] } }),
  useWrenchLink: () => ({
    link: { state: 'off', name: null, pull: null, missed: null, thrown: null, simulated: false },
    listen: () => undefined,
    done: () => undefined,
  }),
  useKeptForm: (_key: string, first: object) => ({
    form: first,
    put: () => undefined,
    clear: () => undefined,
    isTouched: false,
  }),
  asAppError: (e: unknown) => e,
  ofKind: () => [],
  photoPath: () => '',
}));
jest.mock('@/platform/keys', () => ({
  useKeys: () => undefined,
  letGo: () => undefined,
  hasKeyboard: () => true,
}));
jest.mock('@/platform/mapView', () => ({
  useMapView: () => ({ quarters: 0, mirrored: false, zoom: 1 }),
  putMapView: () => undefined,
}));

beforeAll(() => {
  Object.assign(window, { matchMedia: () => ({ matches: true }) });
});

const place = {
  order: 'o',
  joint: PLACE.joint,
  job: 'j',
  vehicle: undefined,
  entries: [],
  joints: [],
};
const acts: Acts = {
  run: PLACE.run,
  error: null,
  late: null,
  sure: null,
  forget: () => undefined,
  confirm: () => Promise.resolve(true),
  pull: () => Promise.resolve(true),
  fail: () => Promise.resolve(true),
  correct: () => Promise.resolve(true),
};

function Everything({ children }: { children: ReactNode }) {
  return (
    <PaperProvider theme={lightTheme}>
      <RunPlaceProvider value={place as never}>{children}</RunPlaceProvider>
    </PaperProvider>
  );
}

/**
 * The panel, the ribbon and the map of one moment of a run; a panel that failed shows the plain
 * list instead.
 */
function look(state: RunState): string {
  const view = {
    status: 'ready',
    state,
    unsent: 0,
    refused: [],
    isMine: true,
    kept: {
      id: PLACE.run,
      joint: PLACE.joint,
      sheet: state.sheet,
      sheetHash: '',
      supersededBy: null,
      people: {},
      order: { id: 'o', number: '1', vehicle: '', joint: 'Joint', built: '', job: '' },
    },
  } as unknown as RunView;
  const due = next(state);
  const { unmount } = render(
    <Everything>
      <RibbonOf state={state} height={56} />
      <MapOf state={state} joint="Joint" due={due} onSeat={() => undefined} />
      <Panel
        view={view}
        acts={acts}
        due={due}
        seat={null}
        onSeat={() => undefined}
        onLock={() => undefined}
        takeOver={() => Promise.resolve()}
      />
    </Everything>,
  );
  const failed = screen.queryByText(text.plainTitle) !== null;
  unmount();
  return failed ? `${due.kind}: the plain list` : '';
}

/** Every moment that looks different: by what is asked and at which kind of stage. */
function lookThrough(
  t: Technician,
  seen: Set<string>,
  moves: Parameters<typeof perform>[1][] = [],
): string[] {
  const failed: string[] = [];
  const glance = (): void => {
    const due = next(t.state);
    const stage = 'stage' in due && due.stage ? due.stage.action : '';
    const what = [
      due.kind,
      stage,
      due.kind === 'hold' ? due.hold.kind : '',
      due.kind === 'pull' ? due.outcomes.join('/') : '',
      due.kind === 'step' ? due.step.kind : '',
    ].join(' ');
    if (seen.has(what)) return;
    seen.add(what);
    failed.push(look(t.state));
  };
  for (const m of moves) {
    glance();
    try {
      perform(t, m);
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
    }
  }
  for (let i = 0; i < 1500; i += 1) {
    glance();
    if (!t.step()) break;
  }
  return failed.filter(Boolean);
}

test('every panel, ribbon and map of the demo sheets can be drawn', () => {
  const seen = new Set<string>();
  expect(demoSheets.flatMap((sheet) => lookThrough(new Technician(sheet), seen))).toEqual([]);
  expect([...seen].map((s) => s.split(' ')[0])).toEqual(
    expect.arrayContaining([
      'fit',
      'setTool',
      'mark',
      'pull',
      'round',
      'step',
      'wait',
      'hold',
      'swap',
      'turnCrank',
      'finish',
      'done',
    ]),
  );
});

test('and of generated sheets in clumsy hands', () => {
  const seen = new Set<string>();
  fc.assert(
    fc.property(
      planArbitrary,
      fc.array(moveArbitrary, { minLength: 20, maxLength: 60, size: 'max' }),
      (plan, moves) => {
        expect(lookThrough(new Technician(buildSheet(plan), { ...PLACE }), seen, moves)).toEqual(
          [],
        );
      },
    ),
    { numRuns: process.env.STENNET_ALL ? 600 : 22, seed: 20261128 },
  );
  expect(seen.size).toBeGreaterThan(40);
});

const withStages = (sheet: Sheet, stages: Sheet['stages']): Sheet => ({ ...sheet, stages });

test('a stage that names a step for all fasteners and inherits an order is drawn like any other', () => {
  const sheet = demoSheet('tf25-cam-caps');
  const stages = sheet.stages.map((s) => (s.action === 'do' ? { ...s, on: ['all'] } : s));
  expect(lookThrough(new Technician(withStages(sheet, stages)), new Set())).toEqual([]);
});

test('a range inside a bolt’s own list is chosen, then tightened', () => {
  const sheet = demoSheet('cv30-rods');
  const stages = sheet.stages.map((s) =>
    s.each
      ? {
          ...s,
          each: s.each.map((p) =>
            p.action === 'torque'
              ? { ...p, target: { min: 20, max: 24, unit: 'N.m' as const } }
              : p,
          ),
        }
      : s,
  );
  const ranged = withStages(sheet, stages);
  expect(checkSheet(ranged).filter((f) => f.level === 'error')).toEqual([]);
  const t = new Technician(ranged);
  const seen = new Set<string>();
  expect(lookThrough(t, seen)).toEqual([]);
  expect([...seen].some((s) => s.startsWith('chooseValue'))).toBe(true);
  expect(t.state.status).toBe('finished');
});
