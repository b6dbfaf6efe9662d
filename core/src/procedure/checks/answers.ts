import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import type { Sheet } from '../sheet';
import { finding, type Finding } from './finding';

const text = textsOf('checks', checks);

/**
 * What tells look-alikes apart leads somewhere: one answer to this sheet itself, one to another.
 * What disagrees is named.
 */
export function checkAnswers(sheet: Sheet): Finding[] {
  const unsaid = sheet.conflicts.flatMap(({ sheet: id, source }, i) =>
    id || source
      ? []
      : [finding('answerNowhere', 'error', `conflicts.${i}.source`, text.conflictOfNothing)],
  );
  const answers = sheet.tellApart.flatMap((question, i) => {
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
  return [...unsaid, ...answers];
}
