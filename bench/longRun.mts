// A run of forty fasteners and eight stages with two thousand events behind it, made as a
// technician's screen would make them.
import { wrenchesOf, type ListedTool } from '../core/src/prepare/index.ts';
import type { Sheet, Stage } from '../core/src/procedure/index.ts';
import { canonicalJson, sha256Hex } from '../core/src/record/index.ts';
import { headSheet, Technician } from '../core/src/testing/index.ts';

const EVENTS = 2000;
const COUNT = 40;

interface Where {
  shop: string;
  person: string;
  run: string;
  joint: string;
  device: string;
  tools: ListedTool[];
}
const where = JSON.parse(process.argv[2] ?? '') as Where;

const labels = Array.from({ length: COUNT }, (_, i) => String(i + 1));
const torque = (id: string, value: number, over: Partial<Stage>): Stage => ({
  id,
  name: `${value} N·m`,
  on: ['all'],
  action: 'torque',
  target: { value, unit: 'N.m' },
  ...over,
});
const settle = { kind: 'untilSettled', maxPasses: 20, movedMoreThanDeg: 3 } as const;
const sheet: Sheet = {
  ...headSheet,
  id: 'forty-in-two-rows',
  revision: 'A',
  title: 'Forty fasteners in two rows',
  tellApart: [],
  steps: [],
  clocks: [],
  after: [],
  pattern: {
    outline: [
      [-30, -30],
      [790, -30],
      [790, 110],
      [-30, 110],
    ],
    openings: [],
    landmarks: [],
    positions: labels.map((label, i) => ({ label, xMm: (i % 20) * 40, yMm: i < 20 ? 80 : 0 })),
  },
  seats: labels.map((id) => ({ id, position: id, group: headSheet.groups[0]?.id ?? '' })),
  groups: headSheet.groups.slice(0, 1).map((g) => ({ ...g, reuse: 'reuse' as const })),
  stages: [
    torque('first', 14, { order: { rule: 'listed' }, repeat: { kind: 'passes', passes: 20 } }),
    torque('second', 16, { repeat: { kind: 'passes', passes: 20 } }),
    torque('third', 18, { repeat: { kind: 'passes', passes: 10 } }),
    torque('fourth', 20, { repeat: settle }),
    torque('fifth', 22, {}),
    torque('sixth', 24, {}),
    torque('seventh', 26, {}),
    torque('eighth', 28, { purpose: 'final' }),
  ],
};

const wrench = wrenchesOf(where.tools).find((w) => w.name.startsWith('Wrench 1'));
const t = new Technician(sheet, {
  ...where,
  sheetHash: sha256Hex(canonicalJson(sheet)),
  wrenches: wrench ? [wrench] : [],
  from: 5_000_000,
});
t.until((due) => due.kind === 'pull' && due.stage.id === 'fourth');
const events = t.state.events.toArray();
if (events.length < EVENTS) throw new Error(`${events.length} events are too few`);
process.stdout.write(JSON.stringify({ sheet, events }));
