import type { JointSheet } from '@stennet/core/contract/work';
import type { Sheet } from '@stennet/core/procedure';
import { keptChoice } from '@/platform/keptChoice';
import type { Answers } from './parts/WhichOne';

/**
 * What each person answered last on this device, and for which joint by which sheet: no one says
 * that someone else has looked.
 */
const { useKept, put } = keptChoice<{ of: string; answers: Answers }>('which', {
  of: '',
  answers: {},
});
const nameOf = ({ joint, sheet }: JointSheet): string => `${joint} ${sheet.id} ${sheet.revision}`;

/**
 * A joint that occurs several times (caps, banks) is told apart each time it is begun: bolts of one
 * cap may have come from another box. A person who just answered need not read all of it again, but
 * says that it is the same.
 * @returns the answers for the same joint by the same sheet; null where there are none
 */
export function useAnswersBefore(data: JointSheet, person: string): Answers | null {
  const { of, answers } = useKept(person);
  return data.sheet.instances && of === nameOf(data) && Object.keys(answers).length > 0
    ? answers
    : null;
}

/** Whose hardware it is holds for the whole joint: it is asked once, not for each cap or bank. */
export const originBefore = (sheet: Sheet, before: Answers | null): Answers =>
  Object.fromEntries(
    sheet.tellApart.flatMap(({ about, question }) => {
      const answer = before?.[question];
      return about === 'origin' && answer !== undefined ? [[question, answer]] : [];
    }),
  );

export const keepAnswers = (data: JointSheet, person: string, answers: Answers): void =>
  put(person, { of: nameOf(data), answers });
