import past from '../../../demo/past.json';
import kept from '../../../demo/past-traces.json';
import sheetJson from '../../../demo/sheets/ob20-flywheel-kit.A.json';
import { traceCurves } from '../drawing';
import { readSheet } from '../procedure';
import type { RunEvent } from '../run';
import { lookAtPulls, type Trace } from '../trace';
import { lookText, recordDocument, runRecord, traceName, tracedPulls, tracedStages } from '.';

const sheet = readSheet(sheetJson);
const events = (past.runs.find((r) => r.events.some((e) => 'trace' in e.payload))?.events ??
  []) as unknown as RunEvent[];
const traces = new Map(Object.entries(kept.traces as unknown as Record<string, Trace>));
const record = runRecord(sheet, events);

test('each trace of the demo is what its name says, and a pull names each', () => {
  for (const [name, trace] of traces) expect(traceName(trace)).toBe(name);
  const named = recordDocument(sheet, events, {}).pulls.flatMap((p) => (p.trace ? [p.trace] : []));
  expect(new Set(named)).toEqual(new Set(traces.keys()));
});

test('by stage, each fastener with the trace of its last counted pull; one taken back has none', () => {
  const stages = tracedStages(record);
  expect(stages.map((s) => [s.stage.id, s.pulls.length])).toEqual([
    ['t1', 8],
    ['t2', 8],
  ]);
  const last = events.findLast((e) => e.type === 'pulled');
  if (!last) throw new Error();
  const undone = {
    ...last,
    id: '00000000-0000-4000-8000-00000000beef',
    seq: last.seq + 1,
    type: 'undone',
    payload: { event: last.id },
  } as unknown as RunEvent;
  const without = tracedStages(
    runRecord(sheet, [...events.slice(0, events.indexOf(last) + 1), undone]),
  );
  expect(without.at(-1)?.pulls).toHaveLength(7);
});

test('the dry one is found among its neighbors, in words and on paper; pulled on from snug none stands out', () => {
  const [first, second] = tracedStages(record).map((s) =>
    lookAtPulls(tracedPulls(sheet, s, traces)),
  );
  const odd = (first ?? []).filter((l) => l.look?.is !== 'ok');
  expect(odd.map((l) => l.id)).toEqual(['6']);
  expect(lookText(odd[0]?.look ?? null)).toMatch(
    /^Friction differs from the others: 1\.\d\d times .* Check it\.$/,
  );
  expect((second ?? []).map((l) => lookText(l.look))).toEqual(
    Array.from({ length: 8 }, () => 'Nothing unusual in this curve.'),
  );
  const dashed = traceCurves(first ?? [], (nm) => nm, 'N·m').shapes.filter(
    (s) => s.kind === 'path' && s.dash,
  );
  expect(dashed).toHaveLength(1);
  expect(
    traceCurves(second ?? [], (nm) => nm, 'N·m').shapes.filter((s) => s.kind === 'path' && s.dash),
  ).toHaveLength(0);
});

test('a trace that is not known is left out, the others are looked at', () => {
  const [stage] = tracedStages(record);
  if (!stage) throw new Error();
  const some = new Map([...traces].filter(([name]) => name !== stage.pulls[2]?.trace));
  expect(tracedPulls(sheet, stage, some).map((p) => p.id)).not.toContain(stage.pulls[2]?.bolt);
  expect(tracedPulls(sheet, stage, some)).toHaveLength(7);
});
