import type { Quantity } from '../quantity';
import {
  isRung,
  judgedFor,
  rungText,
  seatIdOf,
  taskNamed,
  toolFor,
  type Counted,
  type EventOf,
  type FailureKind,
  type RunState,
} from '../run';

/** What a record tells besides the pulls. */
export const SIGHT_KINDS = [
  'seen', 'measured', 'tried', 'failed', 'bagged', 'step', 'hold', 'round', 'waited', 'fitted', 'replaced', 'chosen', 'tool', 'striped',
  'looked', 'slackened', 'startedOver', 'overran', 'added', 'setAside', 'tookOver',
] as const; // prettier-ignore

/**
 * One thing besides the pulls that was done: seen, measured, tried, chosen, fitted, what went
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
  values: readonly { row: string | null; value: Quantity }[];
  note: string;
  fasteners: readonly string[];
  person: string;
  deviceTime: string;
}

/** What people look for first: findings, measurements, attempts, failures, bags. */
const NOTABLE: readonly RecordedSight['kind'][] = ['seen', 'measured', 'tried', 'failed', 'bagged'];
export const isNotable = ({ kind }: Pick<RecordedSight, 'kind'>): boolean => NOTABLE.includes(kind);

const EMPTY = { result: '', failure: null, values: [], note: '', fasteners: [] } as const;
type Said = Pick<RecordedSight, 'kind' | 'what'> & Partial<RecordedSight>;

/**
 * Everything that was confirmed besides the pulls, in the order it happened: every step, hold,
 * round, tool, value and fastener.
 */
export function doneIn(state: RunState): RecordedSight[] {
  return state.effective.toArray().flatMap((c) =>
    sightsOf(state, c).map((sight) => ({
      ...EMPTY,
      event: c.event.id,
      person: c.event.person,
      deviceTime: c.event.deviceTime,
      ...sight,
    })),
  );
}

type Teller = (state: RunState, c: Counted) => Said[];
const stepText = (state: RunState, id: string): string =>
  state.sheet.steps.find((s) => s.id === id)?.text ?? id;
const stageName = (state: RunState, id: string): string =>
  state.sheet.stages.find((s) => s.id === id)?.name ?? id;

function sightsOf(state: RunState, c: Counted): Said[] {
  const { event } = c;
  switch (event.type) {
    case 'stepDone':
      return stepSights(state, event);
    case 'failed': {
      const { fastener, step, kind, note } = event.payload;
      return [
        {
          kind: 'failed',
          what: step ? stepText(state, step) : (fastener ?? ''),
          failure: kind,
          note: note ?? '',
          fasteners: fastener ? [fastener] : [],
        },
      ];
    }
    case 'bagged': {
      const { bag, fasteners, lengthMm } = event.payload;
      return [
        {
          kind: 'bagged',
          what: bag,
          fasteners,
          ...(lengthMm === undefined
            ? {}
            : { values: [{ row: null, value: { value: lengthMm, unit: 'mm' } }] }),
        },
      ];
    }
    case 'held':
      return [
        {
          kind: 'hold',
          what: stageName(state, event.payload.hold),
          result: event.payload.decision,
          note: event.payload.finding ?? '',
        },
      ];
    case 'roundDone': {
      const { stage, round, seated, gap, notSeated } = event.payload;
      const values = gap ? [{ row: 'gap', value: gap }] : [];
      return [
        {
          kind: 'round',
          what: stageName(state, stage),
          result: `${round}, ${seated ? 'seated' : 'not seated yet'}`,
          values,
          fasteners: notSeated ?? [],
        },
      ];
    }
    case 'overran':
      return [
        {
          kind: 'overran',
          what:
            state.sheet.clocks.find((k) => k.id === event.payload.clock)?.text ??
            event.payload.clock,
        },
      ];
    case 'added': {
      const { action, value, fasteners, note } = event.payload;
      return [
        {
          kind: 'added',
          what: action,
          values: value ? [{ row: null, value }] : [],
          fasteners,
          note: note ?? '',
        },
      ];
    }
    case 'setAside':
      return [
        {
          kind: 'setAside',
          what: event.payload.fastener,
          fasteners: [event.payload.fastener],
          note: event.payload.reason ?? '',
        },
      ];
    case 'slackened':
      return [{ kind: 'slackened', what: '', fasteners: event.payload.fasteners }];
    case 'restarted': {
      const { stage, fastener } = event.payload;
      return [
        {
          kind: 'startedOver',
          what: stage ? stageName(state, stage) : (fastener ?? ''),
          fasteners: fastener ? [fastener] : [],
        },
      ];
    }
    case 'tookOver':
      return [{ kind: 'tookOver', what: event.payload.deviceName }];
    default:
      return (TOLD[event.type as keyof typeof TOLD] ?? (() => []))(state, c);
  }
}

/** What was chosen and put in before and between the pulls. */
const TOLD: Partial<Record<Counted['event']['type'], Teller>> = {
  valueChosen: (state, { event }) => {
    const { stage, value } = (event as EventOf<'valueChosen'>).payload;
    return [{ kind: 'chosen', what: stageName(state, stage), values: [{ row: null, value }] }];
  },
  fitted: (_state, { event }) => fittedSights((event as EventOf<'fitted'>).payload.fasteners),
  swapped: (_state, { event }) => {
    const { fastener, replacement, condition, lengthMm, lot } = (event as EventOf<'swapped'>)
      .payload;
    return [
      {
        kind: 'replaced',
        what: seatIdOf(fastener),
        result: [condition, lot ? `lot ${lot}` : ''].filter(Boolean).join(', '),
        fasteners: [replacement],
        values: lengthOf(lengthMm),
      },
    ];
  },
  wrenchChosen: (state, { event }) => {
    const { stage, method, wrench } = (event as EventOf<'wrenchChosen'>).payload;
    return wrench ? [] : [{ kind: 'tool', what: stageName(state, stage), result: method }];
  },
  wrenchSet: (state, { event, before }) => {
    const { payload } = event as EventOf<'wrenchSet'>;
    const task = taskNamed(state.sheet, before, payload);
    const tool = task && toolFor(state.sheet, before, task);
    return [
      {
        kind: 'tool',
        what: stageName(state, payload.stage),
        result: tool ? toolName(tool) : '',
        values: [{ row: 'set to', value: payload.setting }],
      },
    ];
  },
  waited: (state, { event }) => {
    const { stage, clock, celsius } = (event as EventOf<'waited'>).payload;
    const what = stage
      ? stageName(state, stage)
      : (state.sheet.clocks.find((k) => k.id === clock)?.text ?? '');
    return [{ kind: 'waited', what, result: celsius === undefined ? '' : `${celsius} °C` }];
  },
};

/** A wrench with what is on it: a crowfoot changes what the scale says. */
export const toolName = ({
  method,
  wrench,
}: {
  method: string;
  wrench: { name: string; adapter?: { name: string } | undefined } | null;
}): string => (wrench ? [wrench.name, wrench.adapter?.name].filter(Boolean).join(' + ') : method);

const lengthOf = (lengthMm: number | undefined): RecordedSight['values'] =>
  lengthMm === undefined ? [] : [{ row: null, value: { value: lengthMm, unit: 'mm' } }];

/** One line for all that went in alike; a measured length stands with its fastener. */
function fittedSights(fasteners: EventOf<'fitted'>['payload']['fasteners']): Said[] {
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

function stepSights(state: RunState, { payload }: EventOf<'stepDone'>): Said[] {
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
          ? `moved: ${payload.moved.map(seatIdOf).join(', ')}`
          : 'none moved',
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
      result: `put off until: ${stepText(state, payload.deferTo)}`,
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
