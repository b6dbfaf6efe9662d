import type { Translation } from '@stennet/core/language';
import type { tighten as english } from '../en/tighten';
import { tightenApart } from './tightenApart';
import { tightenAround } from './tightenAround';
import { tightenAsk } from './tightenAsk';
import { tightenHands } from './tightenHands';
import { tightenPanel } from './tightenPanel';
import { tightenPractice } from './tightenPractice';
import { tightenSteps } from './tightenSteps';
import { tightenWrong } from './tightenWrong';

/** Every word of the screen that leads from bolt to bolt. */
export const tighten: Translation<typeof english> = {
  ...tightenPanel,
  ...tightenSteps,
  ...tightenWrong,
  ...tightenAround,
  ...tightenApart,
  ...tightenHands,
  ...tightenAsk,
  ...tightenPractice,
};
