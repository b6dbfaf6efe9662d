import type { RunEvent } from './events';
import { lifeOf, seatOf } from './seats';
import type { Deviation, DeviationKind, Progress } from './state';

/** What is on the record without anybody's leave. */
const NEEDS_NOBODY: readonly DeviationKind[] = [
  'replaced',
  'leftOut',
  'byFeel',
  'claimDone',
  'overran',
  'holdFailed',
];

export function noted(
  p: Progress,
  event: RunEvent,
  kind: DeviationKind,
  about: { fastener?: string | null; stage: string; wrench?: string },
): Progress {
  const deviation: Deviation = {
    kind,
    fastener: about.fastener ?? null,
    stage: about.stage,
    event: event.id,
    person: event.person,
    needsLead: !NEEDS_NOBODY.includes(kind),
    decision: null,
    resolved: false,
    ...(about.wrench ? { wrench: about.wrench } : {}),
  };
  return { ...p, deviations: [...p.deviations, deviation] };
}

/** What the lead refused and no one has corrected yet: the run is open again until it is. */
export const refusedOpen = (p: Progress): Deviation | undefined =>
  p.deviations.find((d) => isRefusedOpen(p, d));
export const isRefusedOpen = (p: Progress, d: Deviation): boolean =>
  d.decision === 'refuse' && !d.resolved && !isGone(p, d);

/** The fastener that it is about is not in any more: there is nothing left to corrected. */
const isGone = (p: Progress, { fastener }: Deviation): boolean =>
  fastener !== null &&
  (seatOf(p, fastener).life !== lifeOf(fastener) || seatOf(p, fastener).leftOut);

/** Slackened or begun again: whatever was refused of it is corrected. */
export function resolved(p: Progress, matches: (d: Deviation) => boolean): Progress {
  if (!p.deviations.some((d) => d.decision === 'refuse' && !d.resolved && matches(d))) return p;
  return {
    ...p,
    deviations: p.deviations.map((d) =>
      d.decision === 'refuse' && matches(d) ? { ...d, resolved: true } : d,
    ),
  };
}
