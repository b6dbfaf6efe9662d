import { textsOf } from '../language';
import { traced } from '../language/en/traced';
import type { Sheet, Stage } from '../procedure';
import { knownAt, seatIdOf, type RunEvent } from '../run';
import type { Look, LookedAt, Trace, TraceClass, TracedPull } from '../trace';
import { pullsIn, type RunRecord } from './runRecord';
import { boltLabel } from './words';

const text = textsOf('traced', traced);

export interface TracedStage {
  stage: Stage;
  /** The last counted pull of each fastener that has a trace. */
  pulls: { bolt: string; trace: string; pass: number; seat: string; said: boolean }[];
}

/** Stages whose pulls a digital wrench saw, in the order of the sheet. */
export function tracedStages(record: RunRecord): TracedStage[] {
  return record.stages.flatMap((stage) => {
    const pulls = record.fasteners.flatMap((f) => {
      const last = pullsIn(f, stage).at(-1);
      if (!last?.trace) return [];
      const { fastener, trace, pass, curve } = last;
      const seat = seatIdOf(fastener);
      return [{ bolt: boltLabel(fastener), trace, pass, seat, said: curve?.said !== undefined }];
    });
    return pulls.length > 0 ? [{ stage, pulls }] : [];
  });
}

/** Names of the traces of all pulls, those taken back among them. */
export const tracesNamed = (events: readonly RunEvent[]): string[] =>
  events.flatMap((e) => (e.type === 'pulled' && e.payload.trace ? [e.payload.trace] : []));

/** Those of a stage whose trace is known, ready to be looked at beside each other. */
export function tracedPulls(
  sheet: Sheet,
  { stage, pulls }: TracedStage,
  traces: ReadonlyMap<string, Trace>,
): TracedPull[] {
  const target = stage.target && 'value' in stage.target ? stage.target : null;
  return pulls.flatMap(({ bolt, trace, pass, seat }) => {
    const found = traces.get(trace);
    const { targetNm, tightNm, like } = knownAt(sheet, { stage, seat, pass, target });
    return found ? [{ id: bolt, trace: found, targetNm, tightNm, like }] : [];
  });
}

/** What a curve looks like, in the words of who looks at the bolt. */
const LOOKS: Readonly<Record<TraceClass, string>> = text.looks;
/** What to do about it, in one line. */
const DO: Readonly<Record<TraceClass, string>> = text.act;

/**
 * Found at the bolt, before the next one: these may have damaged it, or left it without its clamp
 * load, and wait for an answer. Others stand on the record.
 */
const SERIOUS: readonly TraceClass[] = [
  'strip',
  'bottoming',
  'liquid_lock',
  'cross_thread',
  'angle_slip',
  'reused_yielded',
];
export const isSerious = (look: Look | null): boolean => look !== null && SERIOUS.includes(look.is);
/** @example lookName('strip') // 'looks like a stripped thread' */
export const lookName = (is: TraceClass): string => LOOKS[is];
export const actText = (is: TraceClass): string => DO[is];

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
