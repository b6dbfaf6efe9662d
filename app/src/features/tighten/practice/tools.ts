import type { ListedTool } from '@stennet/core/prepare';

const [LEAST_NM, MOST_NM] = [2, 400];
const wrench = (n: number, name: string, kind: 'click' | 'dial' | 'digital'): ListedTool => ({
  id: `00000000-0000-8000-8000-0000000000f${n}`,
  name,
  kind,
  unit: 'N.m',
  min: LEAST_NM,
  max: MOST_NM,
  graduation: 0.5,
  calibratedUntil: '2099-12-31',
});

/** What lies on the bench for practice: it belongs to no shop, and has no history. */
export const PRACTICE_TOOLS: readonly ListedTool[] = [
  wrench(1, 'Practice click wrench', 'click'),
  wrench(2, 'Practice dial wrench', 'dial'),
  wrench(3, 'Practice digital wrench', 'digital'),
];
