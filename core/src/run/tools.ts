import { isOwedByPosition, type Part, type Sheet, type Stage } from '../procedure';
import { convert, scaleFactor, units, wrenchSetting, type Quantity } from '../quantity';
import type { Method, Progress, Tool } from './state';
import { isTorque, targetOf, taskOf, valueOf, type Task } from './task';

const BY_HAND: Tool = { method: 'byHand', wrench: null };
const STRETCH_GAUGE: Tool = { method: 'stretchGauge', wrench: null };

/**
 * Methods that a task may be done with; an angle by eye only where the sheet says how far off it
 * may be.
 */
export function methodsFor(task: Task): readonly Method[] {
  switch (task.action) {
    case 'torque':
    case 'check':
      // Below every wrench's reach a seating stage is done by feel, and recorded so; later stages
      // are not.
      return mayBeByFeel(task)
        ? ['click', 'dial', 'digital', 'byFeel']
        : ['click', 'dial', 'digital'];
    case 'angle': {
      const byEye = task.tolerance !== null && targetOf(task).value % 90 === 0;
      return byEye
        ? ['angleGauge', 'printedDisc', 'digital', 'byEye']
        : ['angleGauge', 'printedDisc', 'digital'];
    }
    case 'stretch':
      return ['stretchGauge'];
    case 'handStart':
      return ['byHand'];
    default:
      return ['byHand', 'powerTool'];
  }
}

/**
 * No more than a wrist gives without a bar; above it there is a wrench that reaches. From
 * engineering practice.
 */
const BY_FEEL_MOST_NM = 15;
const mayBeByFeel = (task: Task): boolean =>
  (task.stage.purpose === 'seating' || isOwedByPosition(task.stage)) &&
  task.target !== null &&
  convert(task.target, 'N.m') <= BY_FEEL_MOST_NM;

/**
 * The tool for a task: its own choice, else the last one chosen for the same kind of work where
 * that one serves.
 */
export function toolFor(sheet: Sheet, progress: Progress, task: Task): Tool | undefined {
  if (task.action === 'stretch') return STRETCH_GAUGE;
  if (!isTorque(task.action) && task.action !== 'angle') return BY_HAND;
  const own = progress.tools[task.key];
  if (own) return own;
  const earlier = chosenBefore(sheet, progress, task).find(
    (t) => methodsFor(task).includes(t.method) && t.method !== 'byFeel',
  );
  return earlier && reaches(earlier, targetOf(task)) ? earlier : undefined;
}

/** Tools chosen for the same kind of work, the latest first. */
function chosenBefore(sheet: Sheet, progress: Progress, task: Task): Tool[] {
  const tools: Tool[] = [];
  for (let index = task.stageIndex; index >= 0; index -= 1) {
    const parts = sheet.stages[index]?.each?.length ?? 1;
    for (let part = parts - 1; part >= 0; part -= 1) {
      const other = taskOf(sheet, progress, index, part);
      const tool = progress.tools[other.key];
      if (tool && servesBoth(other, task, tool)) tools.push(tool);
    }
  }
  return tools;
}

/** The same kind of work; and a digital wrench that torqued measures the angle after it too. */
const servesBoth = (of: Task, task: Task, tool: Tool): boolean =>
  of.action === task.action ||
  (isTorque(of.action) &&
    (isTorque(task.action) || (task.action === 'angle' && tool.method === 'digital')));

function reaches(tool: Tool, target: Quantity): boolean {
  if (!tool.wrench || units[target.unit].kind !== 'torque') return true;
  const value = convert(target, tool.wrench.unit) * scaleFactor(tool.wrench);
  return value >= tool.wrench.min && value <= tool.wrench.max;
}

/** What the scale of the tool must say; null where there is nothing to set. */
export function settingOf(task: Task, tool: Tool): Quantity | null {
  if (task.action === 'angle') return targetOf(task);
  if (!isTorque(task.action) || tool.method === 'byFeel') return null;
  return tool.wrench ? wrenchSetting(tool.wrench, targetOf(task)) : null;
}

/** A wrench keeps what it was last set to; a gauge is confirmed once for the stage. */
export const settingKey = (tool: Tool, task: Task): string =>
  tool.wrench ? `wrench:${tool.wrench.id}` : `gauge:${task.key}`;

export function isSet(progress: Progress, task: Task, tool: Tool, setting: Quantity): boolean {
  const set = progress.settings[settingKey(tool, task)];
  return set !== undefined && set.value === setting.value && set.unit === setting.unit;
}

/**
 * Values that are still to be chosen before the joint's first pull: ranges, and a torque in place
 * of a stretch.
 */
export function valueToChoose(
  sheet: Sheet,
  progress: Progress,
): { stage: Stage; part: Part | null } | undefined {
  for (const stage of sheet.stages) {
    if (
      (stage.target && valueOf(progress, stage) === undefined) ||
      (stage.fallback && !progress.values[stage.id])
    )
      return { stage, part: null };
    const part = stage.each?.find((x) => x.target && valueOf(progress, stage, x) === undefined);
    if (part) return { stage, part };
  }
  return undefined;
}
