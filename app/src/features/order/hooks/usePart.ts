import type { PartState } from '@stennet/core/order';
import type { PartLine } from '@stennet/core/prepare';
import { useSignedIn } from '@/data';
import type { Part } from '../parts/PartCheck';
import { useSave } from './useSave';

/** One line of the parts list as it is written on the order; the first word makes its entry. */
export function usePart(order: string, line: PartLine) {
  const { me } = useSignedIn();
  const { problem, save } = useSave();
  const { need, entry } = line;
  const body: Part = entry?.body ?? {
    kind: 'part',
    job: line.job,
    ...(line.joint ? { joint: line.joint, need: need.key } : {}),
    what: need.what,
    count: need.count,
    state: 'needed',
  };
  const put = (next: Part): void =>
    save({ order, ...(entry ? { entry: entry.id, version: entry.version } : {}), body: next });
  return {
    problem,
    body,
    put,
    /** Whoever says that it is here took it in. */
    putState: (state: PartState): void =>
      put({ ...body, state, ...(state === 'here' ? { receivedBy: me.person.name } : {}) }),
  };
}
