import { PROCEDURE, sheetForPart, type Sheet } from '../procedure';
import type { EventOf, RunEvent } from './events';
import { Log } from './log';
import { fold, initialProgress } from './progress';
import type { Counted, Progress, RunState } from './state';
import { refusedOpen } from './deviation';

/**
 * A run before its first event, on one pinned revision of a sheet.
 * @param part which part of the sheet it leads; `started` says it, the procedure where it does not
 */
export function initialState(sheet: Sheet, part: string = PROCEDURE): RunState {
  const own = sheetForPart(sheet, part);
  return {
    sheet: own,
    part,
    instance: null,
    status: 'notStarted',
    run: null,
    joint: null,
    holder: null,
    lastSeq: 0,
    events: Log.of<RunEvent>(),
    effective: Log.of<Counted>(),
    progress: initialProgress(own),
  };
}

/** The state after an event. Never refuses: what was admitted once has happened. */
export function evolve(state: RunState, event: RunEvent): RunState {
  const listed = { ...state, events: state.events.add(event), lastSeq: event.seq };
  switch (event.type) {
    case 'started': {
      const begun: RunState = {
        ...listed,
        status: 'open',
        run: event.run,
        joint: event.payload.joint,
        instance: event.payload.instance ?? null,
        holder: holderOf(event),
      };
      return counted(begun, event);
    }
    case 'paused':
      return { ...listed, status: 'paused' };
    case 'resumed':
      return { ...listed, status: 'open' };
    case 'finished':
      return { ...listed, status: 'finished' };
    case 'undone':
      return refolded(listed, event.payload.event, () => null);
    case 'corrected':
      return refolded(listed, event.payload.event, (e) => correctedBy(e, event));
    case 'tookOver':
      // A finished run is taken over by the lead who settles what is open in it: it stays finished.
      return {
        ...counted(listed, event),
        status: state.status === 'finished' ? 'finished' : 'open',
        holder: holderOf(event),
      };
    case 'used': {
      const after = counted(listed, event);
      // A refusal opens a finished run again: next is the hold that names the deviation.
      return after.status === 'finished' && refusedOpen(after.progress)
        ? { ...after, status: 'open' }
        : after;
    }
    default:
      return counted(listed, event);
  }
}

const holderOf = (event: RunEvent): RunState['holder'] => ({
  hold: event.hold,
  device: event.device,
  person: event.person,
});

function counted(state: RunState, event: RunEvent): RunState {
  const { progress } = state;
  return {
    ...state,
    effective: state.effective.add({ event, before: progress }),
    progress: fold(state.sheet, progress, event),
  };
}

/**
 * The list with one of its entries changed or taken out, folded again from there; the cost is what
 * came after it.
 */
function refolded(
  state: RunState,
  id: string,
  change: (event: RunEvent) => RunEvent | null,
): RunState {
  const at = state.effective.lastIndex((c) => c.event.id === id);
  const entry = state.effective.at(at);
  if (at < 0 || !entry) return state;
  const changed = change(entry.event);
  const rest = state.effective.toArray().slice(at + 1);
  const list = changed ? [{ event: changed, before: entry.before }, ...rest] : rest;
  return list.reduce<RunState>((s, { event }) => counted(s, event), {
    ...state,
    effective: state.effective.first(at),
    progress: entry.before,
  });
}

/**
 * What the run had come to before one of the confirmations that count: against it a correction is
 * judged.
 */
export function progressBefore(state: RunState, event: string): Progress {
  return (
    state.effective.at(state.effective.lastIndex((c) => c.event.id === event))?.before ??
    state.progress
  );
}

function correctedBy(event: RunEvent, correction: EventOf<'corrected'>): RunEvent | null {
  if (event.type !== 'pulled') return event;
  const { outcome, reading, verdict, fastener } = correction.payload;
  if (outcome === 'notTurned') return null;
  const { reading: _was, turnDeg: _turn, stripeDeg: _stripe, ...rest } = event.payload;
  const moved = fastener ? { fastener, insteadOf: event.payload.fastener } : {};
  return {
    ...event,
    payload: { ...rest, outcome, verdict, ...moved, ...(reading ? { reading } : {}) },
  };
}

/** The state that a stored list stands for. */
export function replay(sheet: Sheet, events: Iterable<RunEvent>): RunState {
  let state: RunState | undefined;
  for (const event of events) {
    state ??= initialState(
      sheet,
      event.type === 'started' ? (event.payload.part ?? PROCEDURE) : PROCEDURE,
    );
    state = evolve(state, event);
  }
  return state ?? initialState(sheet);
}
