import { textsOf } from '../language';
import { recordWords } from '../language/en/recordWords';
import type { Quantity } from '../quantity';
import {
  type RunState,
  type EventOf,
  seatIdOf,
  isRung,
  rungText,
  judgedFor,
  type FailureKind,
} from '../run';

const text = textsOf('recordWords', recordWords);

export const stepText = (state: RunState, id: string): string =>
  state.sheet.steps.find((s) => s.id === id)?.text ?? id;
export const lengthOf = (lengthMm: number | undefined): RecordedSight['values'] =>
  lengthMm === undefined ? [] : [{ row: null, value: { value: lengthMm, unit: 'mm' } }];
/** One line for all that went in alike; a measured length stands with its fastener. */
export function fittedSights(fasteners: EventOf<'fitted'>['payload']['fasteners']): Said[] {
  return (['new', 'ownHole', 'other'] as const).flatMap((condition): Said[] => {
    const own = fasteners.filter((f) => f.condition === condition);
    const values = own.flatMap((f) =>
      f.lengthMm === undefined
        ? []
        : [{ row: seatIdOf(f.fastener), value: { value: f.lengthMm, unit: 'mm' as const } }],
    );
    return own.length === 0
      ? []
      : [{ kind: 'fitted', what: condition, fasteners: own.map((f) => f.fastener), values }];
  });
}

export function stepSights(state: RunState, { payload }: EventOf<'stepDone'>): Said[] {
  const said = { note: payload.note ?? '', fasteners: payload.fasteners ?? [] };
  if (isRung(state.sheet, payload.step))
    return [
      {
        ...said,
        kind: 'tried',
        what: rungText(state.sheet, payload.step),
        result: payload.answer ?? '',
      },
    ];
  if (payload.step === 'mark') return [{ ...said, kind: 'striped', what: '' }];
  if (payload.step === 'neighbours')
    return [
      {
        ...said,
        kind: 'looked',
        what: '',
        result: payload.moved?.length
          ? text.moved({ seats: payload.moved.map(seatIdOf).join(', ') })
          : text.noneMoved,
      },
    ];
  const also = (payload.also ?? []).map((id): Said => ({
    kind: 'step',
    what: stepText(state, id),
    result: '',
  }));
  return [ownSight(state, payload, said), ...also];
}

function ownSight(
  state: RunState,
  payload: EventOf<'stepDone'>['payload'],
  said: { note: string; fasteners: readonly string[] },
): Said {
  const what = state.sheet.steps.some((s) => s.id === payload.step)
    ? stepText(state, payload.step)
    : stageName(state, payload.step);
  const result = payload.answers
    ? payload.answers.map((a) => `${a.row}: ${a.answer}`).join('; ')
    : (payload.answer ?? '');
  const values = measuredValues(state, payload);
  if (values.length > 0) return { ...said, kind: 'measured', what, result, values };
  if (payload.deferTo)
    return {
      ...said,
      kind: 'step',
      what,
      result: text.putOff({ step: stepText(state, payload.deferTo) }),
    };
  return result || payload.note
    ? { ...said, kind: 'seen', what, result }
    : { ...said, kind: 'step', what };
}

function measuredValues(
  state: RunState,
  { step: id, measured, measurements }: EventOf<'stepDone'>['payload'],
): RecordedSight['values'] {
  const step = state.sheet.steps.find((s) => s.id === id);
  if (step && measured)
    return judgedFor(step, measured).found.flatMap((f) =>
      f.mm === null ? [] : [{ row: f.what, value: { value: f.mm, unit: 'mm' as const } }],
    );
  return (measurements ?? []).map((m) => ({ row: m.row ?? null, value: m.value }));
}
/** What a record tells other than the pulls. */

export const SIGHT_KINDS = [
  'seen',
  'measured',
  'tried',
  'failed',
  'bagged',
  'step',
  'hold',
  'round',
  'waited',
  'fitted',
  'replaced',
  'chosen',
  'tool',
  'striped',
  'looked',
  'slackened',
  'startedOver',
  'overran',
  'added',
  'setAside',
  'tookOver',
] as const;
// prettier-ignore
/**
 * One thing other than the pulls that was done: seen, measured, tried, chosen, fitted, what went
 * wrong, where things are kept.
 */
export interface RecordedSight {
  event: string;
  kind: (typeof SIGHT_KINDS)[number];
  /** The step, the attempt, the stage or the bag, in words. */
  what: string;
  /** How it ended, what was answered or measured; a failure as its kind. */
  result: string;
  failure: FailureKind | null;
  values: readonly { row: string | null; value: Quantity; }[];
  note: string;
  fasteners: readonly string[];
  person: string;
  deviceTime: string;
}

export type Said = Pick<RecordedSight, 'kind' | 'what'> & Partial<RecordedSight>;

export const stageName = (state: RunState, id: string): string =>
  state.sheet.stages.find((s) => s.id === id)?.name ?? id;
