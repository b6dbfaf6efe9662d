import { AppError } from '@stennet/core/errors';
import { headSheet } from '@stennet/core/testing';
import type { Sheet } from '@stennet/core/procedure';
import type { KeptDraft } from './database';
import { DraftKeeper, type DraftPorts } from './draftKeeper';

const kept = (over: Partial<KeptDraft> = {}): KeptDraft => ({
  draft: { ...headSheet, status: 'draft' },
  version: 3,
  basedOn: 'C',
  related: [],
  dirty: false,
  changedAt: '',
  ...over,
});
const titled = (title: string): Sheet => ({ ...headSheet, status: 'draft', title });

async function settle(): Promise<void> {
  for (let i = 0; i < 12; i += 1) await Promise.resolve();
}

/** A device and a server that do as they are told, and a clock that is wound by hand. */
function bench(send: DraftPorts['send'] = (k) => Promise.resolve({ version: k.version + 1 })) {
  const onDevice: KeptDraft[] = [];
  const sent: KeptDraft[] = [];
  let due: (() => void) | null = null;
  const ports: DraftPorts = {
    keep: (k) => Promise.resolve(void onDevice.push(k)),
    send: (k) => {
      sent.push(k);
      return send(k);
    },
    later: (act) => {
      due = act;
      return () => (due = null);
    },
    now: () => '2026-11-24T10:00:00Z',
  };
  const wind = async (): Promise<void> => {
    const act = due;
    due = null;
    act?.();
    await settle();
  };
  return { ports, onDevice, sent, wind };
}

test('a change is on the device before it is sent, and sent once the hand rests', async () => {
  const b = bench();
  const keeper = new DraftKeeper(kept(), b.ports);
  keeper.change(titled('A'));
  keeper.change(titled('AB'));
  await settle();
  expect(b.onDevice.at(-1)).toMatchObject({ dirty: true, draft: { title: 'AB' }, version: 3 });
  expect(b.sent).toEqual([]);
  await b.wind();
  expect(b.sent.map((k) => k.draft.title)).toEqual(['AB']);
  expect(keeper.state()).toMatchObject({ saving: 'saved', kept: { version: 4, dirty: false } });
  expect(b.onDevice.at(-1)).toMatchObject({ dirty: false, version: 4 });
});

test('what was changed while it was sent goes after it', async () => {
  let answer: (v: { version: number }) => void = () => undefined;
  const b = bench(() => new Promise((resolve) => (answer = resolve)));
  const keeper = new DraftKeeper(kept(), b.ports);
  keeper.change(titled('A'));
  await b.wind();
  keeper.change(titled('AB'));
  answer({ version: 4 });
  await settle();
  expect(keeper.state().kept).toMatchObject({ version: 4, dirty: true });
  await b.wind();
  expect(b.sent.map((k) => [k.version, k.draft.title])).toEqual([
    [3, 'A'],
    [4, 'AB'],
  ]);
});

test('what a lead approves is what is on the screen: the last letter goes too, also behind one that is on its way', async () => {
  const answers: ((v: { version: number }) => void)[] = [];
  const b = bench(() => new Promise((resolve) => answers.push(resolve)));
  const keeper = new DraftKeeper(kept(), b.ports);
  keeper.change(titled('A'));
  await b.wind();
  keeper.change(titled('AB'));
  const flushed = keeper.flush();
  await settle();
  answers[0]?.({ version: 4 });
  await settle();
  answers[1]?.({ version: 5 });
  await flushed;
  expect(b.sent.map((k) => [k.version, k.draft.title])).toEqual([
    [3, 'A'],
    [4, 'AB'],
  ]);
  expect(keeper.state()).toMatchObject({ saving: 'saved', kept: { version: 5, dirty: false } });
});

test('without a network it stays on the device and is sent later', async () => {
  let isAway = true;
  const b = bench((k) =>
    isAway ? Promise.reject(new AppError('OFFLINE')) : Promise.resolve({ version: k.version + 1 }),
  );
  const keeper = new DraftKeeper(kept(), b.ports);
  keeper.change(titled('A'));
  await b.wind();
  expect(keeper.state()).toMatchObject({ saving: 'offline', refused: null });
  isAway = false;
  await b.wind();
  expect(keeper.state().saving).toBe('saved');
});

test('a refusal is shown, nothing more is sent over it, and mine may go on over theirs', async () => {
  let refuse = true;
  const b = bench((k) =>
    refuse
      ? Promise.reject(new AppError('DRAFT_CHANGED', { by: 'Ines', at: 'now' }))
      : Promise.resolve({ version: k.version + 1 }),
  );
  const keeper = new DraftKeeper(kept(), b.ports);
  keeper.change(titled('A'));
  await b.wind();
  expect(keeper.state()).toMatchObject({ saving: 'refused', refused: { code: 'DRAFT_CHANGED' } });
  keeper.change(titled('AB'));
  await b.wind();
  expect(b.sent).toHaveLength(1);
  expect(b.onDevice.at(-1)?.draft.title).toBe('AB');
  refuse = false;
  keeper.goOnOver(8);
  await b.wind();
  expect(b.sent.at(-1)).toMatchObject({ version: 8, draft: { title: 'AB' } });
  expect(keeper.state()).toMatchObject({ saving: 'saved', kept: { version: 9 } });
});

test('one step back undoes a field, not a letter; forward again until something else is changed', () => {
  const keeper = new DraftKeeper(kept(), bench().ports);
  keeper.change(titled('A'), 'title');
  keeper.change(titled('AB'), 'title');
  keeper.change({ ...titled('AB'), kind: 'pump' }, 'kind');
  keeper.undo();
  expect(keeper.state().kept.draft).toMatchObject({ title: 'AB', kind: headSheet.kind });
  keeper.undo();
  expect(keeper.state().kept.draft.title).toBe(headSheet.title);
  expect(keeper.state()).toMatchObject({ canUndo: false, canRedo: true });
  keeper.redo();
  expect(keeper.state().kept.draft.title).toBe('AB');
  keeper.change(titled('C'), 'title');
  expect(keeper.state().canRedo).toBe(false);
});

test('a device that keeps nothing says so, and the draft goes to the server at once', async () => {
  const b = bench();
  const keeper = new DraftKeeper(kept(), {
    ...b.ports,
    keep: () => Promise.reject(new Error('full')),
  });
  keeper.change(titled('A'));
  await settle();
  expect(keeper.state()).toMatchObject({ saving: 'unkept', refused: null });
  await b.wind();
  expect(b.sent.map((k) => k.draft.title)).toEqual(['A']);
  expect(keeper.state()).toMatchObject({ saving: 'saved', kept: { dirty: false } });
});

test('without a network a flush leaves it unsent, so that no one approves an older one', async () => {
  const keeper = new DraftKeeper(
    kept(),
    bench(() => Promise.reject(new AppError('OFFLINE'))).ports,
  );
  keeper.change(titled('A'));
  await keeper.flush();
  expect(keeper.state()).toMatchObject({ refused: null, kept: { dirty: true, version: 3 } });
});

test('one that was left unsent is sent when it is opened again', async () => {
  const b = bench();
  const keeper = new DraftKeeper(kept({ dirty: true }), b.ports);
  await b.wind();
  expect(b.sent).toHaveLength(1);
  expect(keeper.state().saving).toBe('saved');
});
