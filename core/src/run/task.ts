import {
  entersYield,
  isSettling,
  stageAt,
  stageIndex,
  type Action,
  type Part,
  type Sheet,
  type Stage,
} from '../procedure';
import type { Quantity } from '../quantity';
import type { Progress } from './state';

/** What is asked of one fastener in one pull: a stage, or one part of an `each` stage. */
export interface Task {
  stage: Stage;
  stageIndex: number;
  part: Part | null;
  /** Stage, or stage.part: what turned angles, tools and settings are kept under. */
  key: string;
  action: Action;
  /** null for actions without a value. */
  target: Quantity | null;
  tolerance: { plus: number; minus: number } | null;
  settling: boolean;
  entersYield: boolean;
}

/**
 * What chosen values, turned angles, tools and settings are kept under: the stage, or the part of
 * an `each` stage.
 */
export const valueKey = (stage: string, part?: string): string =>
  part === undefined ? stage : `${stage}.${part}`;

/**
 * The one value of a target: published, or chosen inside its range; undefined while it still has to
 * be chosen.
 */
export function valueOf(progress: Progress, stage: Stage, part?: Part): Quantity | undefined {
  const chosen =
    progress.values[valueKey(stage.id, part?.id)] ??
    (part || stage.sameAs === undefined ? undefined : progress.values[stage.sameAs]);
  if (chosen) return chosen;
  const { target } = part ?? stage;
  return target && 'value' in target ? target : undefined;
}

/**
 * The task of a stage at a part; a stretch whose published torque was chosen instead is that
 * torque.
 * @param partIndex which part of an `each` stage, from 0
 */
export function taskOf(
  sheet: Sheet,
  progress: Progress,
  stageIndex: number,
  partIndex: number,
): Task {
  const stage = stageAt(sheet, stageIndex);
  const part = stage.action === 'each' ? (stage.each?.[partIndex] ?? null) : null;
  const target = valueOf(progress, stage, part ?? undefined) ?? null;
  const byTorque =
    stage.action === 'stretch' &&
    target !== null &&
    target.unit !== 'mm' &&
    target.unit !== '[in_i]';
  const action: Action = part ? part.action : byTorque ? 'torque' : stage.action;
  return {
    stage,
    stageIndex,
    part,
    key: valueKey(stage.id, part?.id),
    action,
    target,
    tolerance: (part ? part.tolerance : byTorque ? undefined : stage.tolerance) ?? null,
    settling: !part && isSettling(stage),
    entersYield: entersYield(sheet, stage, action),
  };
}

/** The task that an event names by stage and part. */
export function taskNamed(
  sheet: Sheet,
  progress: Progress,
  named: { stage: string; part?: string | undefined },
): Task | undefined {
  const index = stageIndex(sheet, named.stage);
  if (index < 0) return undefined;
  const part =
    named.part === undefined
      ? 0
      : (sheet.stages[index]?.each?.findIndex((x) => x.id === named.part) ?? -1);
  return part < 0 ? undefined : taskOf(sheet, progress, index, part);
}

/** The target of a task that has one. */
export function targetOf(task: Task): Quantity {
  if (!task.target) throw new Error(`stage ${task.stage.id} has no value`);
  return task.target;
}

/** Torques are read on a wrench's scale. */
export const isTorque = (action: Action): boolean => action === 'torque' || action === 'check';
export const isMeasured = (action: Action): boolean =>
  isTorque(action) || action === 'angle' || action === 'stretch';
