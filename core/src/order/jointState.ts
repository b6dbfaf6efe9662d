import { PROCEDURE, TAKE_APART } from '../procedure/parts';

/** One of a joint's runs, as lists know it. */
export interface RunSeen {
  part: string;
  instance: string | null;
  state: 'open' | 'paused' | 'finished';
  putIn?: readonly string[] | undefined;
  /** Taken out in it; another run of the same joint may have put it in. */
  tookOut?: readonly string[] | undefined;
  asksLead?: number | undefined;
}
export interface JointRuns {
  runs: readonly Pick<RunSeen, 'part' | 'instance' | 'state'>[];
  instances: { labels: readonly string[] } | null;
}
export interface JointSeen extends JointRuns {
  name: string;
  runs: readonly RunSeen[];
}

/**
 * How far a joint is: what comes off is on its way, all off, in work, tight in every one of its
 * places.
 */
export type JointState = 'notStarted' | 'comingApart' | 'apart' | 'inWork' | 'tight';

/** Tight only with every bank, cap or cylinder. */
export function jointState({ runs, instances }: JointRuns): JointState {
  const own = runs.filter((r) => r.part === PROCEDURE);
  const wanted: (string | null)[] = instances ? [...instances.labels] : [null];
  if (wanted.every((i) => own.some((r) => r.instance === i && r.state === 'finished')))
    return 'tight';
  if (own.length > 0) return 'inWork';
  const off = runs.filter((r) => r.part === TAKE_APART);
  if (off.length === 0) return 'notStarted';
  return wanted.every((i) => off.some((r) => r.instance === i && r.state === 'finished'))
    ? 'apart'
    : 'comingApart';
}

export const runOf = <R extends JointRuns['runs'][number]>(
  runs: readonly R[],
  part: string,
  instance: string | null,
): R | undefined => runs.find((r) => r.part === part && r.instance === instance);

/**
 * A joint of a job: through, in work, or the next one. Later ones wait where an earlier one is not
 * through.
 */
export type JointPlace = 'done' | 'inWork' | 'next' | 'later';
export function jointPlaces(joints: readonly JointRuns[]): JointPlace[] {
  const states = joints.map(jointState);
  const first = states.findIndex((s) => s !== 'tight');
  return states.map((s, i) =>
    s === 'tight'
      ? 'done'
      : s === 'inWork' || s === 'comingApart'
        ? 'inWork'
        : i === first
          ? 'next'
          : 'later',
  );
}
