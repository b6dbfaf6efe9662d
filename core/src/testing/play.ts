import fc from 'fast-check';
import { AppError } from '../errors';
import type { Sheet } from '../procedure';
import { next, type RunState } from '../run';
import { perform } from './clumsy';
import { moveArbitrary, type Move } from './moves';
import { PLACE, Technician } from '.';

export const moves = fc.array(moveArbitrary, { minLength: 30, maxLength: 140, size: 'max' });

const seen = new Map<string, number>();
let cases = 0;
/** In how many cases a thing occurred at all. */
export const happened = (): { seen: ReadonlyMap<string, number>; cases: number } => ({
  seen,
  cases,
});
let inCase = new Set<string>();
const note = (what: string): void => void inCase.add(what);
function closeCase(): void {
  cases += 1;
  for (const what of inCase) seen.set(what, (seen.get(what) ?? 0) + 1);
  inCase = new Set();
}

function noteWhat(sheet: Sheet, t: Technician): void {
  const due = next(t.state);
  note(`next ${due.kind}`);
  if (due.kind === 'hold') note(`hold ${due.hold.kind}`);
  if (due.kind === 'hold' && due.hold.kind === 'failed') note(`failure ${due.hold.failure}`);
  if (due.kind === 'step' && due.reason === 'consequence') note('consequence');
  const stage =
    'stage' in due
      ? due.stage
      : due.kind === 'step'
        ? sheet.stages[t.state.progress.stage]
        : undefined;
  if (!stage) return;
  note(`action ${stage.action}`);
  note(`repeat ${stage.repeat?.kind ?? 'once'}`);
  const order = sheet.stages.find((s) => s.id === stage.id)?.order?.rule;
  if (order) note(`order ${order}`);
}

/** What is refused leaves the state as it was; what is let in is checked after each step. */
export function play(
  sheet: Sheet,
  list: readonly Move[],
  check: (before: RunState, after: RunState) => void = () => undefined,
): Technician {
  const t = new Technician(sheet, { ...PLACE });
  for (const m of list) {
    const before = t.state;
    noteWhat(sheet, t);
    note(`move ${m.kind}`);
    try {
      perform(t, m);
    } catch (error) {
      if (!(error instanceof AppError)) throw error;
      note(`refused ${error.code}`);
    }
    const last = t.state.events.at(-1);
    if (
      last &&
      t.state !== before &&
      last.type === 'failed' &&
      last.payload.kind === 'stepAbandoned'
    )
      note('failure stepAbandoned');
    check(before, t.state);
  }
  closeCase();
  return t;
}

/**
 * Seeded, so that the short run is the same everywhere; `./stennet test --all` goes further and
 * elsewhere.
 */
export const RUNS = process.env.STENNET_ALL ? 6000 : 100;
if (!process.env.STENNET_ALL) fc.configureGlobal({ seed: 20261124 });
