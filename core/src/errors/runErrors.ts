import { entry } from './entry';

/** Refusals of a run as a whole. */
export const runErrors = {
  RUN_UNKNOWN: entry('This run is not in your shop.', 'Open it from its repair order.'),
  RUN_NOT_STARTED: entry('This run has not been started.', 'Start it from its repair order.'),
  RUN_ALREADY_STARTED: entry('This run has been started already.', 'Carry on with it.'),
  RUN_FINISHED: entry('This run is finished.', 'Its values stand on the repair order.'),
  RUN_PAUSED: entry('This run is paused.', 'Resume it first.'),
  JOINT_HAS_OPEN_RUN: entry(
    'This joint is in work in another run.',
    'Open the repair order and carry on with that one.',
  ),
  JOINT_ALREADY_TIGHT: entry(
    'This has been done already.',
    'Look at its record on the repair order.',
  ),
  START_BLOCKED: entry(
    (p) => `This joint cannot be started: ${p.reasons}`,
    'Settle that on the repair order, then start.',
  ),
  LEFT_OUT_BEFORE: entry(
    (p) => `Left out when this joint was taken apart: ${p.fasteners}.`,
    'Say for each whether it is still out or repaired, then start.',
  ),
  OWN_WORK: entry(
    'You did work on this order, and no one else has signed for it.',
    'Have another person check it and sign, or let them set it to checked.',
  ),
  TAKE_APART_OPEN: entry(
    'Taking this joint apart is not finished.',
    'Finish that run first: it says what came out, where it is kept and what is left undone.',
  ),
  SHEET_MISMATCH: entry(
    'The sheet on this device is not the one on the server.',
    'Load the repair order again, then start.',
  ),
  EVENT_GAP: entry(
    (p) => `Entry ${p.expected} is missing before this one.`,
    'The device sends it again by itself.',
  ),
  EVENT_ID_REUSED: entry(
    'Another entry is stored under this id.',
    'Reload; nothing of what is stored has changed.',
  ),
  HOLD_ENDED: entry(
    'Another device has taken this run over.',
    'Look at the run there; what you confirmed here stays on this device.',
  ),
  HOLD_WRONG: entry((p) => `This run is in its hold number ${p.expected}.`, 'Load the run again.'),

  KEPT_AS_CLAIM: entry(
    'Another device had taken this run over before these entries arrived.',
    'They are kept on the server. Whoever holds the run is asked for each pull whether it was really done.',
  ),
};
