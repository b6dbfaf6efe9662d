import { textsOf } from '../language';
import { traced } from '../language/en/traced';
import type { Stage } from '../procedure';
import { convert } from '../quantity';
import type { RunEvent } from '../run';
import type { LookedAt, Trace, TraceClass, TracedPull } from '../trace';
import { pullsIn, type RunRecord } from './runRecord';
import { boltLabel } from './words';

const text = textsOf('traced', traced);

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
const LOOKS: Readonly<Record<TraceClass, string>> = text.looks;

/** A hint to look again, never a verdict. */
export function lookText(look: LookedAt['look']): string {
  if (!look) return text.fromTight;
  if (look.is === 'ok') return text.fine;
  const what = LOOKS[look.is];
  const said = { what: what.charAt(0).toUpperCase() + what.slice(1), why: look.why };
  return look.mayBe.length > 0
    ? text.lookMayBe({
        ...said,
        mayBe: text.mayBe({ what: look.mayBe.map((c) => LOOKS[c]).join(', ') }),
      })
    : text.look(said);
}
