import type { Quantity } from '../quantity';
import { isRung, judgedFor, rungText, type EventOf, type FailureKind, type RunState } from '../run';

/** One thing besides the pulls that counts: what was seen, measured, tried, what went wrong, where things are kept. */
export interface RecordedSight {
  event: string;
  kind: 'seen' | 'measured' | 'tried' | 'failed' | 'bagged';
  /** The step, the attempt, or the bag, in words. */
  what: string;
  /** How it ended, what was answered or measured; a failure as its kind. */
  result: string;
  failure: FailureKind | null;
  values: readonly { row: string | null; value: Quantity }[];
  note: string;
  fasteners: readonly string[];
  person: string;
  deviceTime: string;
}

type Sight = EventOf<'stepDone'> | EventOf<'failed'> | EventOf<'bagged'>;

/** What was seen and done besides the pulls, in the order it happened; plain steps that were only confirmed are left out. */
export function seenIn(state: RunState): RecordedSight[] {
  return state.effective.toArray().flatMap(({ event }) => {
    if (event.type !== 'stepDone' && event.type !== 'failed' && event.type !== 'bagged') return [];
    const sight = sightOf(state, event);
    return sight ? [{ ...EMPTY, event: event.id, person: event.person, deviceTime: event.deviceTime, ...sight }] : [];
  });
}

const EMPTY = { result: '', failure: null, values: [], note: '', fasteners: [] } as const;
type Said = Pick<RecordedSight, 'kind' | 'what'> & Partial<RecordedSight>;

function sightOf(state: RunState, event: Sight): Said | null {
  const stepText = (id: string): string => state.sheet.steps.find((s) => s.id === id)?.text ?? id;
  if (event.type === 'bagged') {
    const { bag, fasteners, lengthMm } = event.payload;
    return { kind: 'bagged', what: bag, fasteners, ...(lengthMm === undefined ? {} : { values: [{ row: null, value: { value: lengthMm, unit: 'mm' } }] }) };
  }
  if (event.type === 'failed') {
    const { fastener, step, kind, note } = event.payload;
    return { kind: 'failed', what: step ? stepText(step) : (fastener ?? ''), failure: kind, note: note ?? '', fasteners: fastener ? [fastener] : [] };
  }
  const { payload } = event;
  const said = { note: payload.note ?? '', fasteners: payload.fasteners ?? [] };
  if (isRung(state.sheet, payload.step)) return { ...said, kind: 'tried', what: rungText(state.sheet, payload.step), result: payload.answer ?? '' };
  const result = payload.answers ? payload.answers.map((a) => `${a.row}: ${a.answer}`).join('; ') : (payload.answer ?? '');
  const values = measuredValues(state, payload);
  if (values.length > 0) return { ...said, kind: 'measured', what: stepText(payload.step), result, values };
  return result || payload.note ? { ...said, kind: 'seen', what: stepText(payload.step), result } : null;
}

function measuredValues(state: RunState, { step: id, measured, measurements }: EventOf<'stepDone'>['payload']): RecordedSight['values'] {
  const step = state.sheet.steps.find((s) => s.id === id);
  if (step && measured) return judgedFor(step, measured).found.flatMap((f) => (f.mm === null ? [] : [{ row: f.what, value: { value: f.mm, unit: 'mm' as const } }]));
  return (measurements ?? []).map((m) => ({ row: m.row ?? null, value: m.value }));
}
