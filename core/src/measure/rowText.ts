import { textsOf } from '../language';
import { measureKinds } from '../language/en/measureKinds';

const text = textsOf('measureKinds', measureKinds).rows;

/** Names of places that the product gives; what a sheet or a person names stays as written. */
const GIVEN: readonly [RegExp, (n: string) => string][] = [
  [/^long (\w+)$/, (n) => text.long({ n })],
  [/^diagonal (\w+)$/, (n) => text.diagonal({ n })],
  [/^(\w+) in$/, (n) => text.in({ n })],
  [/^(\w+) out$/, (n) => text.out({ n })],
  [/^bore, front$/, () => text.boreFront],
  [/^bore, rear$/, () => text.boreRear],
  [/^journal, front$/, () => text.journalFront],
  [/^drill$/, () => text.drill],
  [/^tap$/, () => text.tap],
  [/^journal, rear$/, () => text.journalRear],
];

/** The place of a reading as it is shown; it is stored by its English name. */
export function rowText(row: string): string {
  for (const [pattern, say] of GIVEN) {
    const found = pattern.exec(row);
    if (found) return say(found[1] ?? '');
  }
  return row;
}
