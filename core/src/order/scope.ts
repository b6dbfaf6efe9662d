import type { OrderEntry } from './entries';

/** A joint narrowed to the banks, caps or cylinders that this order is about. */
export function narrowed<
  J extends {
    id: string;
    instances: { labels: string[]; pairs?: [string, string][] | undefined } | null;
  },
>(joint: J, entries: readonly OrderEntry[]): J {
  const scope = entries.findLast((e) => e.kind === 'scope' && e.joint === joint.id);
  if (!joint.instances || scope?.kind !== 'scope') return joint;
  const labels = joint.instances.labels.filter((l) => scope.instances.includes(l));
  if (labels.length === 0) return joint;
  const pairs = joint.instances.pairs?.filter((pair) => pair.every((l) => labels.includes(l)));
  return { ...joint, instances: { ...joint.instances, labels, ...(pairs ? { pairs } : {}) } };
}
