import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import { convert, units } from '../../quantity';
import type { Sheet } from '../sheet';
import { finding, type Finding } from './finding';

const text = textsOf('checks', checks);

const empty = (place: string, name: string, min: number | string, max: number | string): Finding =>
  finding('rangeEmpty', 'error', place, text.rangeEmpty({ name, min, max }));

/** Two ends of a limit the wrong way round: dates, lengths, what is measured. */
export function checkRanges(sheet: Sheet): Finding[] {
  return [...ofDates(sheet), ...ofLengths(sheet), ...ofSteps(sheet)];
}

function ofDates({ applies, tellApart }: Sheet): Finding[] {
  const spans = [
    { at: 'applies', name: text.built, span: applies },
    ...tellApart.flatMap((t, i) =>
      t.answers.map((span, k) => ({ at: `tellApart.${i}.answers.${k}`, name: span.text, span })),
    ),
  ];
  return spans.flatMap(({ at, name, span: { builtFrom, builtTo } }) =>
    builtFrom && builtTo && builtFrom > builtTo
      ? [empty(`${at}.builtTo`, name, builtFrom, builtTo)]
      : [],
  );
}

function ofLengths({ groups }: Sheet): Finding[] {
  return groups.flatMap((g, i) => [
    ...(g.lengthMm && g.maxLengthMm && g.maxLengthMm < g.lengthMm
      ? [empty(`groups.${i}.maxLengthMm`, g.name, g.lengthMm, g.maxLengthMm)]
      : []),
    ...(g.lengthMm && g.gripLengthMm && g.gripLengthMm > g.lengthMm
      ? [empty(`groups.${i}.gripLengthMm`, g.name, g.gripLengthMm, g.lengthMm)]
      : []),
  ]);
}

function ofSteps({ steps }: Sheet): Finding[] {
  return steps.flatMap((step, i) => {
    const { min, max } = step.limits ?? {};
    const { min: low, max: high } = step.measure?.limits ?? {};
    return [
      ...(min && max && units[min.unit].kind === units[max.unit].kind
        ? convert(min, max.unit) >= max.value
          ? [empty(`steps.${i}.limits`, step.text, convert(min, max.unit), max.value)]
          : []
        : []),
      ...(low !== undefined && high !== undefined && low >= high
        ? [empty(`steps.${i}.measure.limits`, step.text, low, high)]
        : []),
    ];
  });
}
