import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import type { Sheet } from '../sheet';
import { finding, type Finding } from './finding';

const text = textsOf('checks', checks);

/**
 * What tells look-alikes apart leads somewhere: one answer to this sheet itself, one to another.
 */
export function checkAnswers(sheet: Sheet): Finding[] {
  return sheet.tellApart.flatMap((question, i) => {
    const place = `tellApart.${i}.answers`;
    const leads = question.answers.map((a) => a.sheet);
    return [
      ...(leads.includes(sheet.id)
        ? []
        : [finding('answerNowhere', 'error', place, text.answerNotHere)]),
      ...(new Set(leads).size > 1
        ? []
        : [finding('answerNowhere', 'error', place, text.answerAllHere)]),
    ];
  });
}
