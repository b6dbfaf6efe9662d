import type { Stage } from '../procedure';
import { convert } from '../quantity';
import type { RunEvent } from '../run';
import type { LookedAt, Trace, TraceClass, TracedPull } from '../trace';
import { pullsIn, type RunRecord } from './runRecord';
import { boltLabel } from './words';

export interface TracedStage {
  stage: Stage;
  /** The last counted pull of each fastener that has a trace. */
  pulls: { bolt: string; trace: string }[];
}

/** Stages whose pulls a digital wrench saw, in the order of the sheet. */
export function tracedStages(record: RunRecord): TracedStage[] {
  return record.stages.flatMap((stage) => {
    const pulls = record.fasteners.flatMap((f) => {
      const last = pullsIn(f, stage).at(-1);
      return last?.trace ? [{ bolt: boltLabel(last.fastener), trace: last.trace }] : [];
    });
    return pulls.length > 0 ? [{ stage, pulls }] : [];
  });
}

/** Names of the traces of all pulls, those taken back among them. */
export const tracesNamed = (events: readonly RunEvent[]): string[] =>
  events.flatMap((e) => (e.type === 'pulled' && e.payload.trace ? [e.payload.trace] : []));

/** Those of a stage whose trace is known, ready to be looked at beside each other. */
export function tracedPulls(
  { stage, pulls }: TracedStage,
  traces: ReadonlyMap<string, Trace>,
): TracedPull[] {
  const targetNm =
    stage.action !== 'angle' && stage.target && 'value' in stage.target
      ? convert(stage.target, 'N.m')
      : null;
  return pulls.flatMap(({ bolt, trace }) => {
    const found = traces.get(trace);
    return found ? [{ id: bolt, trace: found, targetNm }] : [];
  });
}

/** What a curve looks like, in the words of who looks at the bolt. */
const LOOKS: Record<TraceClass, string> = {
  ok: 'nothing stands out',
  cross_thread: 'as if cross-threaded',
  bottoming: 'as if it bottomed out',
  liquid_lock: 'as if liquid were caught below it',
  strip: 'as if the thread gave way',
  stick_slip: 'it jerked',
  reused_yielded: 'as if it had yielded before',
  wrong_lube: 'another friction than its neighbours',
  angle_slip: 'the angle slipped',
};

/** A hint to look again, never a verdict. */
export function lookText(look: LookedAt['look']): string {
  if (!look)
    return 'It was pulled further from tight: there is a curve, and nothing to compare it with.';
  if (look.is === 'ok') return 'Nothing stands out in its curve.';
  const others =
    look.mayBe.length > 0 ? ` It may also be: ${look.mayBe.map((c) => LOOKS[c]).join(', ')}.` : '';
  const what = LOOKS[look.is];
  return `${what.charAt(0).toUpperCase()}${what.slice(1)}: ${look.why}.${others} Look at it again.`;
}
