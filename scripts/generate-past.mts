// Makes demo/past.json: runs that were finished before today, so that records, history and what falls due have something to show.
// Run with `node --import tsx scripts/generate-past.mts`; `--check` only compares.
import fs from 'node:fs';
import path from 'node:path';
import { readSheet } from '../core/src/procedure/index.ts';
import { wrenchesOf } from '../core/src/prepare/index.ts';
import { canonicalJson, sha256Hex } from '../core/src/record/index.ts';
import { next, type RunEvent } from '../core/src/run/index.ts';
import { Technician } from '../core/src/testing/index.ts';
import { root } from './install.mjs';

const id = (n: number): string => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const [HALDEN, JONAH, MEI] = [id(1), id(11), id(12)];
const world = JSON.parse(fs.readFileSync(path.join(root, 'demo/world.json'), 'utf8'));
const shop = world.shops.find((s: { id: string }) => s.id === HALDEN);
const wrenches = wrenchesOf(shop.tools.map(({ calibratedInDays: _days, ...t }: Record<string, unknown>) => ({ ...t, calibratedUntil: '2099-01-01' })));

interface Plan {
  run: number;
  joint: number;
  file: string;
  person: string;
  /** Wrenches by the beginning of their names; a digital one says what it read. */
  use: string[];
}

function made({ run, joint, file, person, use }: Plan): { run: string; person: string; events: RunEvent[] } {
  const sheet = readSheet(JSON.parse(fs.readFileSync(path.join(root, 'demo/sheets', file), 'utf8')));
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
    const digital = due.kind === 'chooseTool' && due.task.action !== 'angle' ? own.find((w) => w.kind === 'digital') : undefined;
    const reads = due.kind === 'pull' && due.tool.method === 'digital' && due.target?.unit === 'N.m';
    // A wrench that slowly reads high: in the list of its readings it shows.
    if (digital && due.kind === 'chooseTool') events.push(t.do('wrenchChosen', { stage: due.stage.id, method: 'digital', wrench: digital }));
    else if (reads && due.target) events.push(t.pull(due, { reading: { value: Math.round(due.target.value * (1.012 + 0.004 * Math.sin(pulls++)) * 10) / 10, unit: 'N.m' } }));
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
  { run: 821, joint: 461, file: 'brenna-2-0-head.C.json', person: JONAH, use: ['Wrench 3', 'Wrench 2'] },
  { run: 822, joint: 462, file: 'qs16-head.A.json', person: MEI, use: ['Wrench 1', 'Wrench 2'] },
  { run: 823, joint: 463, file: 'ob20-flywheel-kit.A.json', person: JONAH, use: ['Wrench 4', 'Wrench 2'] },
  { run: 824, joint: 464, file: 'ob20-flywheel-kit.A.json', person: MEI, use: ['Wrench 4', 'Wrench 2'] },
];
const text = `${JSON.stringify({ runs: plans.map(made) })}\n`;
const file = path.join(root, 'demo/past.json');
if (process.argv.includes('--check')) {
  if (fs.readFileSync(file, 'utf8') !== text) {
    console.error('demo/past.json is not what the demo sheets give now. Run: node --import tsx scripts/generate-past.mts');
    process.exit(1);
  }
} else fs.writeFileSync(file, text);
