import type { Stage } from '@stennet/core/procedure';

/** Which of a sheet's lists of stages is under the hand. */
export type StageList = 'stages' | 'takeApart';
/** key: changes of one field one after the other are one step back. */
export type PutStage = (over: Partial<Stage>, key: string) => void;
