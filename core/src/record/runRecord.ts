import { seatsOf, stageIndex, type Sheet, type Stage } from '../procedure';
import type { Quantity } from '../quantity';
import { doneIn, isNotable } from './seenIn';
import { type RecordedSight } from './stepSights';
import {
  pullsTogether,
  evolve,
  initialState,
  judgePull,
  progressBefore,
  readingOn,
  seatIdOf,
  taskOf,
  toolFor,
  type Deviation,
  type EventOf,
  type RunEvent,
  type RunState,
  type Verdict,
} from '../run';
import { type RecordedWord, saidIn, wrenchNames } from './recordedWords';

/** One pull as the record shows it: what was aimed at, what was said, by whom, when. */
export interface RecordedPull {
  event: string;
  fastener: string;
  stage: string;
  pass: number;
  /** null for what has no value: started by hand, run down, slackened. */
  target: Quantity | null;
  method: EventOf<'pulled'>['payload']['method'];
  outcome: EventOf<'pulled'>['payload']['outcome'];
  reading: Quantity | null;
  verdict: Verdict;
  /** With its adapter, where one is on. */
  wrench: string | null;
  wrenchId: string | null;
  /**
   * What the fastener got of it: with an adapter another torque than the scale said, off a stripe
   * the turn of this stage.
   */
  onBolt: Quantity | null;
  /** What the wrench saw of it, by the hash of that trace. */
  trace: string | null;
  /** What that trace was taken for at the bolt, and what was said to it. */
  curve?: NonNullable<EventOf<'pulled'>['payload']['curve']>;
  person: string;
  deviceTime: string;
  /** Taken back: the bolt had not been turned. Shown, not counted. */
  undone: boolean;
  corrected: boolean;
}

export interface RecordedFastener {
  fastener: string;
  seat: string;
  replaced: boolean;
  pulls: RecordedPull[];
}

export interface RunRecord {
  sheet: Sheet;
  complete: boolean;
  started: { person: string; at: string } | null;
  finishedAt: string | null;
  /** By what the joint was told apart from its look-alikes, and who looked. */
  told: { question: string; answer: string; person: string }[];
  people: string[];
  stages: Stage[];
  fasteners: RecordedFastener[];
  /** Ids of the pulls in the order they were made. */
  order: string[];
  deviations: readonly Deviation[];
  said: RecordedWord[];
  /** Seen, measured, tried, gone wrong, kept where. */
  seen: RecordedSight[];
  /** Everything else that was confirmed, the notable with it. */
  done: RecordedSight[];
  pullCount: number;
  /** Passes that a settling stage took, by stage id. */
  passes: Record<string, number>;
}

/**
 * The record of a run: a view of its list of events, with what was undone shown beside what counts.
 * Fasteners in the sheet's order; a replaced one stands before its replacement.
 */
export function runRecord(sheet: Sheet, list: Iterable<RunEvent>): RunRecord {
  const events = [...list];
  const [start] = events;
  let state = initialState(sheet, start?.type === 'started' ? start.payload.part : undefined);
  const pulls: RecordedPull[] = [];
  for (const event of events) {
    if (event.type === 'pulled') pulls.push(recorded(state, event));
    if (event.type === 'passConfirmed') pulls.push(...together(state, event));
    if (event.type === 'undone') markUndone(pulls, event.payload.event);
    if (event.type === 'corrected') markCorrected(state, pulls, event);
    state = evolve(state, event);
  }
  const first = events[0];
  const counted = pulls.filter((p) => !p.undone);
  const done = doneIn(state);
  return {
    sheet: state.sheet,
    complete: state.status === 'finished',
    started: first ? { person: first.person, at: first.deviceTime } : null,
    finishedAt: events.find((e) => e.type === 'finished')?.deviceTime ?? null,
    told: events.flatMap((e) =>
      e.type === 'variantAnswered' ? [{ ...e.payload, person: e.person }] : [],
    ),
    people: [...new Set(events.map((e) => e.person))],
    stages: state.sheet.stages,
    fasteners: fastenersOf(state, pulls),
    order: pulls.map((p) => p.event),
    deviations: state.progress.deviations,
    said: saidIn(state),
    seen: done.filter(isNotable),
    done,
    pullCount: counted.length,
    passes: passesOf(counted),
  };
}

function recorded(state: RunState, event: EventOf<'pulled'>): RecordedPull {
  const { payload } = event;
  const seat = state.progress.seats[seatIdOf(payload.fastener)];
  return {
    event: event.id,
    fastener: payload.fastener,
    stage: payload.stage,
    pass: payload.pass,
    target: taskOf(
      state.sheet,
      state.progress,
      stageIndex(state.sheet, payload.stage),
      seat?.parts ?? 0,
    ).target,
    method: payload.method,
    outcome: payload.outcome,
    reading:
      payload.reading ??
      (payload.stripeDeg === undefined ? null : { value: payload.stripeDeg, unit: 'deg' }),
    onBolt: readingOn(state.sheet, state.progress, payload) ?? null,
    verdict: judgePull(state.sheet, state.progress, payload).verdict,
    wrench: payload.wrench ? (wrenchNames(state).get(payload.wrench) ?? null) : null,
    wrenchId: payload.wrench ?? null,
    trace: payload.trace ?? null,
    ...(payload.curve ? { curve: payload.curve } : {}),
    person: event.person,
    deviceTime: event.deviceTime,
    undone: false,
    corrected: false,
  };
}

/** Confirmed together: each fastener has its line, and each line says so. */
function together(state: RunState, event: EventOf<'passConfirmed'>): RecordedPull[] {
  const { sheet, progress } = state;
  const index = stageIndex(sheet, event.payload.stage);
  const wrench = toolFor(sheet, progress, taskOf(sheet, progress, index, 0))?.wrench?.id;
  const used = wrench ? { wrench } : {};
  return pullsTogether(event).map((pull) =>
    recorded(state, { ...pull, payload: { ...pull.payload, ...used } }),
  );
}

function markUndone(pulls: RecordedPull[], id: string): void {
  for (const [at, pull] of pulls.entries())
    if (pull.event === id) pulls[at] = { ...pull, undone: true };
}

/** Judged again by core, whatever verdict came with it. */
function markCorrected(
  state: RunState,
  pulls: RecordedPull[],
  { payload }: EventOf<'corrected'>,
): void {
  const at = pulls.findIndex((p) => p.event === payload.event);
  const pull = pulls[at];
  if (!pull) return;
  if (payload.outcome === 'notTurned') {
    pulls[at] = { ...pull, undone: true };
    return;
  }
  const { outcome, reading = null, fastener = pull.fastener } = payload;
  const { stage, pass, method } = pull;
  const said = { fastener, stage, pass, outcome, method, ...(reading ? { reading } : {}) };
  const before = progressBefore(state, payload.event);
  pulls[at] = {
    ...pull,
    outcome,
    reading,
    onBolt: readingOn(state.sheet, before, said) ?? null,
    verdict: judgePull(state.sheet, before, said).verdict,
    fastener,
    corrected: true,
  };
}

function fastenersOf(state: RunState, pulls: readonly RecordedPull[]): RecordedFastener[] {
  return state.sheet.seats.flatMap((seat) => {
    const lives = state.progress.seats[seat.id]?.life ?? 1;
    return Array.from({ length: lives }, (_, index) => {
      const fastener = `${seat.id}/${index + 1}`;
      return {
        fastener,
        seat: seat.id,
        replaced: index + 1 < lives,
        pulls: pulls.filter((p) => p.fastener === fastener),
      };
    });
  });
}

function passesOf(pulls: readonly RecordedPull[]): Record<string, number> {
  const passes: Record<string, number> = {};
  for (const p of pulls) passes[p.stage] = Math.max(passes[p.stage] ?? 0, p.pass);
  return passes;
}

/** The pulls of one fastener in one stage, as counted; the last one is the value that stands. */
export function pullsIn(fastener: RecordedFastener, stage: Stage): RecordedPull[] {
  return fastener.pulls.filter((p) => p.stage === stage.id && !p.undone);
}

/** Whether a seat takes part in a stage at all. */
export function takesPart(sheet: Sheet, stage: Stage, fastener: string): boolean {
  return seatsOf(sheet, stage).some((s) => s.id === seatIdOf(fastener));
}
