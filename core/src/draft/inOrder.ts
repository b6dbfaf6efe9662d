import type { Position } from '../joint';
import type { Sheet } from '../procedure';
import { blankGroup } from './draft';
import { boltsName } from './pasteLine';
import { addPlaces } from './places';

/**
 * A new draft with bolts at these places, numbered in an order, and one torque in that order:
 * marked as derived, because no source gives it. Its value, its bolts and where it is from are left
 * to be written.
 * @param order labels of the places; those that are none are passed over
 * @param name of the stage
 */
export function inOrder(
  draft: Sheet,
  places: readonly Position[],
  order: readonly string[],
  name: string,
): Sheet {
  const turn = order.flatMap((label) => places.filter((p) => p.label === label));
  const placed = addPlaces({ ...draft, groups: [blankGroup('bolts', boltsName())] }, turn, 'bolts');
  return {
    ...placed,
    stages: [
      {
        id: 'stage-1',
        name,
        on: ['all'],
        action: 'torque',
        order: { rule: 'listed', labels: placed.pattern.positions.map((p) => p.label) },
        derived: true,
      },
    ],
  };
}
