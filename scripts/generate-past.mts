// Makes demo/past.json: runs that were finished before today, so that records, history and what
// is due have something to show. Run with `node --import tsx scripts/generate-past.mts`;
// `--check` only compares.
import fs from 'node:fs';
import path from 'node:path';
import { readSheet } from '../core/src/procedure/index.ts';
import { wrenchesOf } from '../core/src/prepare/index.ts';
import { canonicalJson, sha256Hex, traceName } from '../core/src/record/index.ts';
import type { Quantity } from '../core/src/quantity/index.ts';
import { next, type PullNext, type RunEvent } from '../core/src/run/index.ts';
import { Technician } from '../core/src/testing/index.ts';
import { lookAtPulls, simulateWrench, type Trace } from '../core/src/trace/index.ts';
import { root } from './install.mjs';

const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const [HALDEN, JONAH, MEI] = [id(1), id(11), id(12)];
const world = JSON.parse(fs.readFileSync(path.join(root, 'demo/world.json'), 'utf8'));
const shop = world.shops.find((s: { id: string }) => s.id === HALDEN);
const wrenches = wrenchesOf(
  shop.tools.map(({ calibratedInDays: _days, ...t }: Record<string, unknown>) => ({
    ...t,
    calibratedUntil: '2099-01-01',
  })),
);

interface Plan {
  run: number;
  joint: number;
  file: string;
  person: string;
  /** Wrenches by the beginning of their names; a digital one says what it read. */
  use: string[];
  /**
   * The digital wrench keeps what it saw; in its first stage, from loose, this fastener's thread is
   * dry.
   */
  traced?: { dry: string; stage: string };
  /** Left in the middle, at this fastener of this stage. */
  leftAt?: { stage: string; seat: string };
  /** This fastener stopped short: the lead is asked. */
  short?: { stage: string; seat: string };
}

/** A thread that is dry is far steeper than the others. */
const DRY_SLOPE = 0.75;
const traces: Record<string, Trace> = {};

/**
 * A pull as the simulated wrench saw it, one that ended near its target: the same for the same
 * place in the run.
 */
function seen(
  plan: Plan,
  due: PullNext,
  wrench: string,
  from: number,
): { reading: Quantity; trace: string } {
  const how =
    plan.traced?.dry === due.seat && plan.traced.stage === due.stage.id ? 'wrong_lube' : 'ok';
  const target = due.target?.value ?? 0;
  const tight = due.stage.id === plan.traced?.stage ? null : 30;
  for (let seed = from * 100; ; seed += 1) {
    const { peakNm, trace } = simulateWrench(
      { to: { unit: 'N.m', value: target }, how, ...(tight ? { from: tight } : {}) },
      seed,
      wrench,
    );
    const value = Math.round(peakNm * 10) / 10;
    const isDry =
      how === 'ok' ||
      (lookAtPulls([{ id: '', trace, targetNm: target }])[0]?.findings.elastic?.gradient ?? 0) >
        DRY_SLOPE;
    if (Math.abs(value / target - 1) > 0.025 || !isDry) continue;
    const name = traceName(trace);
    traces[name] = trace;
    return { reading: { value, unit: 'N.m' }, trace: name };
  }
}

function made(plan: Plan): { run: string; person: string; events: RunEvent[] } {
  const { run, joint, file, person, use } = plan;
  const sheet = readSheet(
    JSON.parse(fs.readFileSync(path.join(root, 'demo/sheets', file), 'utf8')),
  );
  const own = use.flatMap((name) => wrenches.filter((w) => w.name.startsWith(name)));
  const t = new Technician(sheet, {
    shop: HALDEN,
    run: id(run),
    joint: id(joint),
    device: id(790),
    person,
    sheetHash: sha256Hex(canonicalJson(sheet)),
    wrenches: own,
    from: run * 10_000,
  });
  const events: RunEvent[] = [];
  for (let pulls = 0; events.length < 3000;) {
    const due = next(t.state);
    const isAt = (place: { stage: string; seat: string } | undefined): boolean =>
      due.kind === 'pull' && due.stage.id === place?.stage && due.seat === place.seat;
    if (isAt(plan.leftAt)) break;
    const digital =
      due.kind === 'chooseTool' && due.task.action !== 'angle'
        ? own.find((w) => w.kind === 'digital')
        : undefined;
    const reads =
      due.kind === 'pull' && due.tool.method === 'digital' && due.target?.unit === 'N.m';
    // A wrench that slowly reads high: in the list of its readings it shows.
    if (digital && due.kind === 'chooseTool')
      events.push(
        t.do('wrenchChosen', { stage: due.stage.id, method: 'digital', wrench: digital }),
      );
    else if (reads && due.target && plan.traced)
      events.push(t.pull(due, seen(plan, due, due.tool.wrench?.name ?? '', run * 100 + pulls++)));
    else if (reads && due.target)
      events.push(
        t.pull(due, {
          reading: {
            value: Math.round(due.target.value * (1.012 + 0.004 * Math.sin(pulls++)) * 10) / 10,
            unit: 'N.m',
          },
        }),
      );
    else if (due.kind === 'pull' && isAt(plan.short))
      events.push(t.pull(due, { outcome: 'stoppedShort' }));
    else {
      const event = t.step();
      if (!event) break;
      events.push(event);
      if (due.kind === 'pull') t.wait(9 + ((events.length * 7) % 6));
    }
  }
  return { run: id(run), person, events };
}

const plans: Plan[] = [
  {
    run: 821,
    joint: 461,
    file: 'brenna-2-0-head.C.json',
    person: JONAH,
    use: ['Wrench 3', 'Wrench 2'],
  },
  { run: 822, joint: 462, file: 'qs16-head.A.json', person: MEI, use: ['Wrench 1', 'Wrench 2'] },
  {
    run: 823,
    joint: 463,
    file: 'ob20-flywheel-kit.A.json',
    person: JONAH,
    use: ['Wrench 4', 'Wrench 2'],
  },
  {
    run: 824,
    joint: 464,
    file: 'ob20-flywheel-kit.A.json',
    person: MEI,
    use: ['Wrench 4', 'Wrench 2'],
    traced: { dry: '6', stage: 't1' },
  },
  {
    run: 825,
    joint: 465,
    file: 'brenna-2-0-head.C.json',
    person: JONAH,
    use: ['Wrench 3', 'Wrench 2'],
    leftAt: { stage: 'first-angle', seat: '4' },
  },
  {
    run: 826,
    joint: 466,
    file: 'ob20-flywheel-kit.A.json',
    person: MEI,
    use: ['Wrench 1', 'Wrench 2'],
    short: { stage: 't2', seat: '5' },
  },
];
const runs = plans.map(made);
for (const [name, made] of Object.entries({
  'past.json': { runs },
  'past-traces.json': { traces },
})) {
  const text = `${JSON.stringify(made)}\n`;
  const file = path.join(root, 'demo', name);
  if (!process.argv.includes('--check')) fs.writeFileSync(file, text);
  else if (fs.readFileSync(file, 'utf8') !== text) {
    console.error(
      `demo/${name} is not what the demo sheets give now. Run: node --import tsx scripts/generate-past.mts`,
    );
    process.exitCode = 1;
  }
}
