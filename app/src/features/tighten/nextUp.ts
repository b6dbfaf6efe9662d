import { runName, type Joint } from '@stennet/core/contract';
import { jointState } from '@stennet/core/order';
import { PROCEDURE } from '@stennet/core/procedure';
import { nextInSitting, type RunState } from '@stennet/core/run';

export interface NextUp {
  joint: string;
  instance: string | null;
  name: string;
  /** Where the crank must be turned to first; null where it stands right or does not matter. */
  crankDeg: number | null;
}

/**
 * What comes after a finished run: its companion, the next one of the same joint, else the job's
 * next joint. This run counts as finished whether the order knows it or not.
 */
export function nextUp(joints: readonly Joint[], joint: string, done: RunState): NextUp | null {
  if (done.part !== PROCEDURE) return null;
  const at = joints.findIndex((t) => t.id === joint);
  const own = joints[at];
  if (!own) return null;
  if (own.instances && done.instance !== null) {
    const known = own.runs.flatMap((r) =>
      r.part === PROCEDURE && r.instance ? [[r.instance, { status: r.state }] as const] : [],
    );
    const next = nextInSitting(
      own,
      { ...Object.fromEntries(known), [done.instance]: { status: 'finished' } },
      null,
    );
    if (next.kind === 'run') {
      const [stands, wanted] = [
        own.instances.crankDeg?.[done.instance],
        own.instances.crankDeg?.[next.instance],
      ];
      return {
        joint,
        instance: next.instance,
        name: runName(own, { part: PROCEDURE, instance: next.instance }),
        crankDeg: wanted !== undefined && wanted !== stands ? wanted : null,
      };
    }
  }
  const later = joints.slice(at + 1).find((t) => jointState(t) !== 'tight');
  return later ? { joint: later.id, instance: null, name: later.name, crankDeg: null } : null;
}
