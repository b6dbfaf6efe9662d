import { partsList, type JointParts, type PartLine } from '@stennet/core/prepare';
import type { Order } from '@stennet/core/contract';
import { type ShownEntry } from '@/data';
import { useJointSheets } from '@/data/orders';

/**
 * What the order's joints ask for by their sheets, with what is known of each. `missing`: joints
 * whose sheet is not at hand.
 */
export function usePartsList(
  order: Order,
  entries: readonly ShownEntry[],
): { lines: PartLine[]; sheets: JointParts[]; missing: string[] } {
  const joints = order.jobs.flatMap((job) =>
    job.joints.map((joint) => ({ job: job.id, joint: joint.id, name: joint.name })),
  );
  const asked = useJointSheets(joints.map((j) => j.joint));
  const sheets = joints.flatMap((j, i): JointParts[] => {
    const sheet = asked[i]?.data?.sheet;
    return sheet ? [{ ...j, sheet }] : [];
  });
  return {
    lines: partsList(sheets, entries),
    sheets,
    missing: joints.flatMap((j, i) => (asked[i]?.data ? [] : [j.name])),
  };
}
