import { textsOf } from '../language';
import { recordWords } from '../language/en/recordWords';
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

const text = textsOf('recordWords', recordWords);

/** What people look for first: findings, measurements, attempts, failures, bags. */
const NOTABLE: readonly RecordedSight['kind'][] = ['seen', 'measured', 'tried', 'failed', 'bagged'];
export const isNotable = ({ kind }: Pick<RecordedSight, 'kind'>): boolean => NOTABLE.includes(kind);

const EMPTY = { result: '', failure: null, values: [], note: '', fasteners: [] } as const;

/**
 * Everything that was confirmed other than the pulls, in the order it happened: every step, hold,
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

type Tellers = {
  [T in Counted['event']['type']]?: (
    state: RunState,
    payload: EventOf<T>['payload'],
    before: Counted['before'],
    event: EventOf<T>,
  ) => Said[];
};

function sightsOf(state: RunState, { event, before }: Counted): Said[] {
  const tell = TOLD[event.type] as Tellers['stepDone'];
  return tell?.(state, event.payload as never, before, event as never) ?? [];
}

/** What each kind of entry tells, beside the pulls. */
const TOLD: Tellers = {
  stepDone: (state, _payload, _before, event) => stepSights(state, event),
  failed: (state, { fastener, step, kind, note }) => [
    {
      kind: 'failed',
      what: step ? stepText(state, step) : (fastener ?? ''),
      failure: kind,
      note: note ?? '',
      fasteners: fastener ? [fastener] : [],
    },
  ],
  bagged: (_state, { bag, fasteners, lengthMm }) => [
    { kind: 'bagged', what: bag, fasteners, values: lengthOf(lengthMm) },
  ],
  held: (state, { hold, decision, finding }) => [
    { kind: 'hold', what: stageName(state, hold), result: decision, note: finding ?? '' },
  ],
  roundDone: (state, { stage, round, seated, gap, notSeated }) => [
    {
      kind: 'round',
      what: stageName(state, stage),
      result: (seated ? text.seated : text.notSeated)({ n: round }),
      values: gap ? [{ row: text.gap, value: gap }] : [],
      fasteners: notSeated ?? [],
    },
  ],
  overran: (state, { clock }) => [{ kind: 'overran', what: clockText(state, clock) || clock }],
  added: (_state, { action, value, fasteners, note }) => [
    {
      kind: 'added',
      what: action,
      values: value ? [{ row: null, value }] : [],
      fasteners,
      note: note ?? '',
    },
  ],
  setAside: (_state, { fastener, reason }) => [
    { kind: 'setAside', what: fastener, fasteners: [fastener], note: reason ?? '' },
  ],
  slackened: (_state, { fasteners }) => [{ kind: 'slackened', what: '', fasteners }],
  restarted: (state, { stage, fastener }) => [
    {
      kind: 'startedOver',
      what: stage ? stageName(state, stage) : (fastener ?? ''),
      fasteners: fastener ? [fastener] : [],
    },
  ],
  tookOver: (_state, { deviceName }) => [{ kind: 'tookOver', what: deviceName }],
  valueChosen: (state, { stage, value }) => [
    { kind: 'chosen', what: stageName(state, stage), values: [{ row: null, value }] },
  ],
  fitted: (_state, { fasteners }) => fittedSights(fasteners),
  swapped: (_state, { fastener, replacement, condition, lengthMm, lot }) => [
    {
      kind: 'replaced',
      what: seatIdOf(fastener),
      result: [condition, lot ? text.lot({ lot }) : ''].filter(Boolean).join(', '),
      fasteners: [replacement],
      values: lengthOf(lengthMm),
    },
  ],
  wrenchChosen: (state, { stage, method, wrench }) =>
    wrench ? [] : [{ kind: 'tool', what: stageName(state, stage), result: method }],
  wrenchSet: (state, payload, before) => {
    const task = taskNamed(state.sheet, before, payload);
    const tool = task && toolFor(state.sheet, before, task);
    return [
      {
        kind: 'tool',
        what: stageName(state, payload.stage),
        result: tool ? toolName(tool) : '',
        values: [{ row: text.setTo, value: payload.setting }],
      },
    ];
  },
  waited: (state, { stage, clock, celsius }) => [
    {
      kind: 'waited',
      what: stage ? stageName(state, stage) : clockText(state, clock),
      result: celsius === undefined ? '' : `${celsius} °C`,
    },
  ],
};

const clockText = (state: RunState, id: string | undefined): string =>
  state.sheet.clocks.find((k) => k.id === id)?.text ?? '';

/** A wrench with what is on it: a crowfoot changes what the scale says. */
export const toolName = ({
  method,
  wrench,
}: {
  method: string;
  wrench: { name: string; adapter?: { name: string } | undefined } | null;
}): string => (wrench ? [wrench.name, wrench.adapter?.name].filter(Boolean).join(' + ') : method);
