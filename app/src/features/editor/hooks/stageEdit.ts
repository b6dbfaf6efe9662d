import type { Sheet, Stage } from '@stennet/core/procedure';
import { changed, withoutUnset } from '../lists';

/** Which of a sheet's lists of stages is under the hand: what comes later has its own. */
export type StageList = 'stages' | 'takeApart' | `after.${number}.stages`;
/** key: changes of one field one after the other are one step back. */
export type PutStage = (over: Partial<Stage>, key: string) => void;

const afterOf = (list: StageList): number | null =>
  list === 'stages' || list === 'takeApart' ? null : Number(list.split('.')[1]);

export function stagesIn(draft: Sheet, list: StageList): Stage[] {
  const after = afterOf(list);
  if (after !== null) return draft.after[after]?.stages ?? [];
  return list === 'takeApart' ? draft.takeApart : draft.stages;
}

export function withStagesIn(draft: Sheet, list: StageList, next: Stage[]): Sheet {
  const at = afterOf(list);
  if (at === null) return { ...draft, [list]: next };
  const stages = next.length > 0 ? next : undefined;
  return { ...draft, after: changed(draft.after, at, (a) => withoutUnset({ ...a, stages })) };
}
