import type { Sheet, Stage } from '../procedure';
import { demoSheet } from './demoSheets';

export const stage = (sheet: Sheet, index: number, change: Partial<Stage>): Sheet => ({
  ...sheet,
  stages: sheet.stages.map((s, i) => (i === index ? { ...s, ...change } : s)),
});

export const without = (sheet: Sheet, index: number): Sheet => ({
  ...sheet,
  stages: sheet.stages.filter((_, i) => i !== index),
});

export const insert = (sheet: Sheet, at: number, one: Stage): Sheet => ({
  ...sheet,
  stages: [...sheet.stages.slice(0, at), one, ...sheet.stages.slice(at)],
});

export const group = (sheet: Sheet, change: Partial<Sheet['groups'][number]>): Sheet => ({
  ...sheet,
  groups: sheet.groups.map((g, i) => (i === 0 ? { ...g, ...change } : g)),
});

export const make = (action: Stage['action'], over: Partial<Stage> = {}): Stage => ({
  id: 'made',
  name: 'made',
  on: ['all'],
  action,
  ...over,
});

export const intake = demoSheet('cv30-intake');
export const damper = demoSheet('bv48-damper');
export const rods = demoSheet('ob20-rod-caps');
export const adapter = demoSheet('qn47-adapter');
export const flywheel = demoSheet('ob20-flywheel');
export const kit = demoSheet('ob20-flywheel-kit');
export const plate = demoSheet('tf25-pressure-plate');
export const early = demoSheet('brenna-2-0-head-early');
export const strips = demoSheet('cv30-rods');
const cams = demoSheet('tf25-cam-caps');
export const camStep = (change: Partial<Sheet['steps'][number]>): Sheet => ({
  ...cams,
  steps: cams.steps.map((s) => (s.id === 'slack' ? { ...s, ...change } : s)),
});
