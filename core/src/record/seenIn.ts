import { seatIdOf, taskNamed, toolFor, type Counted, type EventOf, type RunState } from '../run';
import {
  stepSights,
  stepText,
  fittedSights,
  lengthOf,
  stageName,
  type Said,
  type RecordedSight,
} from './stepSights';

/** What people look for first: findings, measurements, attempts, failures, bags. */
const NOTABLE: readonly RecordedSight['kind'][] = ['seen', 'measured', 'tried', 'failed', 'bagged'];
export const isNotable = ({ kind }: Pick<RecordedSight, 'kind'>): boolean => NOTABLE.includes(kind);

const EMPTY = { result: '', failure: null, values: [], note: '', fasteners: [] } as const;

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
