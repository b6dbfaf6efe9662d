import type { RunEvent, EventType } from './events';
import type { RunState } from './state';

const CAN_GO_BACK: readonly EventType[] = [
  'valueChosen',
  'fitted',
  'wrenchChosen',
  'wrenchSet',
  'stepDone',
  'pulled',
  'passConfirmed',
  'roundDone',
  'waited',
  'overran',
  'held',
  'swapped',
  'setAside',
  'failed',
  'added',
  'restarted',
  'bagged',
  'photoAttached',
];

/**
 * The one confirmation that “go back” would take back now: the last that counts, made by the
 * present holder. Statements, take-overs and what was found at a take-over are never taken back.
 */
export function undoable(state: RunState): RunEvent | undefined {
  const last = state.effective.at(-1)?.event;
  return last && CAN_GO_BACK.includes(last.type) && last.hold === state.holder?.hold
    ? last
    : undefined;
}
