import type { RunEvent } from './events';
import type { Deviation, DeviationKind, Progress } from './state';

/** What stands on the record without anybody's leave. */
const NEEDS_NOBODY: readonly DeviationKind[] = ['replaced', 'leftOut', 'byFeel', 'claimDone', 'overran', 'holdFailed'];

export function noted(p: Progress, event: RunEvent, kind: DeviationKind, about: { fastener?: string | null; stage: string; wrench?: string }): Progress {
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

/** What the lead refused and nobody has put right yet: the run is open again until it is. */
export const refusedOpen = (p: Progress): Deviation | undefined => p.deviations.find((d) => d.decision === 'refuse' && !d.resolved);

/** Slackened, replaced or begun anew: whatever was refused of it is put right. */
export function resolved(p: Progress, matches: (d: Deviation) => boolean): Progress {
  if (!p.deviations.some((d) => d.decision === 'refuse' && !d.resolved && matches(d))) return p;
  return { ...p, deviations: p.deviations.map((d) => (d.decision === 'refuse' && matches(d) ? { ...d, resolved: true } : d)) };
}
