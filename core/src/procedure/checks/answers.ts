import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import type { Sheet } from '../sheet';
import { finding, type Finding } from './finding';

const text = textsOf('checks', checks);

/**
 * What tells look-alikes apart leads somewhere: one answer to this sheet itself, the others to
 * sheets that are there.
 * @param others of the library, as far as they are known; none: not asked
 */
export function checkAnswers(sheet: Sheet, others: readonly Sheet[]): Finding[] {
  const known = new Set(others.map((s) => s.id));
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
      ...leads.flatMap((lead, k) =>
        known.size === 0 || known.has(lead) || lead === sheet.id
          ? []
          : [
              finding(
                'answerNowhere',
                'warning',
                `${place}.${k}.sheet`,
                text.answerNoSheet({ sheet: lead }),
              ),
            ],
      ),
    ];
  });
}
