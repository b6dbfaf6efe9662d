import { textsOf } from '../../language';
import { checks } from '../../language/en/checks';
import { AppError } from '../../errors';
import type { Sheet } from '../sheet';
import type { Stage } from '../stage';
import { isByFastener, orderOf, seatsOf } from '../stageFacts';
import { finding, type Finding } from './finding';

const text = textsOf('checks', checks);

/** Whether every fastener is reached, once a pass, in an order that can be computed. */
export function checkOrders(sheet: Sheet): Finding[] {
  const reached = new Set(
    sheet.stages
      .filter((s) => s.action !== 'check')
      .flatMap((s) => seatsOf(sheet, s).map((seat) => seat.id)),
  );
  const never = sheet.seats.flatMap((s, i) =>
    reached.has(s.id)
      ? []
      : [finding('neverReached', 'error', `seats.${i}`, text.neverReached({ id: s.id }))],
  );
  return [
    ...never,
    ...sheet.stages.flatMap((_stage, i) => checkOrder(sheet, i)),
    ...noOrder(sheet),
  ];
}

function checkOrder(sheet: Sheet, index: number): Finding[] {
  const stage = sheet.stages[index];
  if (!stage) return [];
  if (!isByFastener(stage) && stage.action !== 'drawDown') return [];
  const subset = seatsOf(sheet, stage);
  if (subset.length === 0)
    return [
      finding(
        'nothingNamed',
        'error',
        `stages.${index}.on`,
        text.nothingNamed({ stage: stage.name }),
      ),
    ];
  const place = `stages.${index}.order`;
  const given = stage.order?.labels ?? [];
  const twice = given.find((label, i) => given.indexOf(label) < i);
  if (twice)
    return [
      finding('pulledTwice', 'error', place, text.pulledTwice({ id: twice, stage: stage.name })),
    ];
  try {
    const missing = subset.filter((s) => !orderOf(sheet, index).includes(s.id));
    if (missing.length === 0) return [];
    return [
      finding(
        'orderIncomplete',
        'error',
        place,
        text.orderIncomplete({ stage: stage.name, ids: missing.map((s) => s.id).join(', ') }),
      ),
    ];
  } catch (error) {
    if (!(error instanceof AppError)) throw error;
    return [
      finding(
        'orderImpossible',
        'error',
        place,
        text.orderImpossible({ rule: stage.order?.rule ?? '', n: subset.length }),
      ),
    ];
  }
}

/** Fasteners torqued without a published order: the one shown is ours, and said to be. */
function noOrder(sheet: Sheet): Finding[] {
  const found = sheet.groups.flatMap((group) => {
    const isOn = (stage: Stage): boolean =>
      seatsOf(sheet, stage).filter((seat) => seat.group === group.id).length > 2;
    const first = sheet.stages.findIndex(
      (s) => isByFastener(s) && s.action !== 'handStart' && s.action !== 'runDown' && isOn(s),
    );
    // An order is kept from one stage to the next for the fasteners that it was given for.
    return first < 0 || sheet.stages.slice(0, first + 1).some((s) => s.order && isOn(s))
      ? []
      : [first];
  });
  return [...new Set(found)].map((first) =>
    finding('noOrder', 'note', `stages.${first}.order`, text.noOrder),
  );
}
