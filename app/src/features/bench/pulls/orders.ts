import type { BenchJoint, TriedOrder } from '@stennet/core/bench';
import { AppError } from '@stennet/core/errors';
import { orderByRule, type OrderRule } from '@stennet/core/joint';
import { randomFrom } from '@stennet/core/trace';

/** What an order is called; its id in the comparison. */
export type OrderName = 'published' | 'own' | 'centreOut' | 'cross' | 'star' | 'ring' | 'random';
const RULES: readonly OrderRule[] = ['centreOut', 'cross', 'star', 'ring'];

/** Every order that the places allow, each once: the sheet's own first. */
export function ordersFor(joint: BenchJoint, own: readonly string[]): TriedOrder[] {
  const tried: TriedOrder[] = [
    ...(joint.published ? [{ id: 'published', order: joint.published }] : []),
    ...(own.length === joint.places.length ? [{ id: 'own', order: own }] : []),
    ...RULES.flatMap((rule) => {
      const order = byRule(rule, joint);
      return order ? [{ id: rule, order }] : [];
    }),
    { id: 'random', order: shuffled(joint.places.map((p) => p.label)) },
  ];
  return tried.filter(
    (t, i) =>
      tried.findIndex((other) => other.order.join(' ') === t.order.join(' ')) === i ||
      t.id === 'own',
  );
}

function byRule(rule: OrderRule, { places }: BenchJoint): string[] | null {
  try {
    return orderByRule(rule, places);
  } catch (error) {
    if (error instanceof AppError) return null;
    throw error;
  }
}

const SEED = 5;
function shuffled(labels: readonly string[]): string[] {
  const { share } = randomFrom(SEED);
  return labels
    .map((label) => ({ label, at: share() }))
    .sort((a, b) => a.at - b.at)
    .map((l) => l.label);
}
