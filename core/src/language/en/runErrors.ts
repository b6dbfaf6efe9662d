export const runErrors = {
  RUN_UNKNOWN: {
    message: 'This job isn’t in your shop.',
    fix: 'Open it from its repair order.',
  },
  RUN_NOT_STARTED: {
    message: 'This job hasn’t been started.',
    fix: 'Start it from its repair order.',
  },
  RUN_ALREADY_STARTED: {
    message: 'This job is already started.',
    fix: 'Continue with it.',
  },
  RUN_FINISHED: {
    message: 'This job is finished.',
    fix: 'Its values are on the repair order.',
  },
  RUN_PAUSED: {
    message: 'This job is paused.',
    fix: 'Resume it first.',
  },
  JOINT_HAS_OPEN_RUN: {
    message: 'This joint is already being worked on.',
    fix: 'Open the repair order and continue there.',
  },
  JOINT_ALREADY_TIGHT: {
    message: 'This joint is already done.',
    fix: 'See its record on the repair order.',
  },
  START_BLOCKED: {
    message: 'Can’t start this joint: {{reasons}}',
    fix: 'Clear it on the repair order, then start.',
  },
  LEFT_OUT_BEFORE: {
    message: 'Left out at teardown: {{fasteners}}.',
    fix: 'Say for each if it is still out or repaired, then start.',
  },
  VALUES_UNLIKE: {
    message: 'The value chosen when this joint was tightened has changed on the way.',
    fix: 'Reload, then start again. The same value is used again.',
  },
  OWN_WORK: {
    message: 'You worked on this order and no one else has signed for it.',
    fix: 'Have another person check and sign it.',
  },
  TAKE_APART_OPEN: {
    message: 'Teardown of this joint isn’t finished.',
    fix: 'Finish teardown first. It records what came out and where it is kept.',
  },
  SHEET_MISMATCH: {
    message: 'The sheet on this device differs from the server’s.',
    fix: 'Reload the repair order, then start.',
  },
  EVENT_GAP: {
    message: 'Entry {{expected}} is missing before this one.',
    fix: 'The device sends it again on its own.',
  },
  EVENT_ID_REUSED: {
    message: 'Another entry is saved under this ID.',
    fix: 'Reload. Saved entries haven’t changed.',
  },
  ALREADY_CONFIRMED: {
    message: 'Something was confirmed here first, perhaps in another tab.',
    fix: 'What you just said doesn’t count. Check the last entry, then continue.',
  },
  HOLD_ENDED: {
    message: 'Another device took over this job.',
    fix: 'Continue there. Your entries stay on this device.',
  },
  HOLD_WRONG: {
    message: 'This job was taken over (hold {{expected}}).',
    fix: 'Reload the job.',
  },
  PRACTICE_ONLY: {
    message: 'This is practice. It can’t go on a repair order.',
    fix: 'Start the real job from its repair order.',
  },
  PRACTICE_FIRST: {
    message: 'Practice comes first here: {{exercises}}.',
    fix: 'Pass it under Practice, then start.',
  },
  PRACTICE_BROKEN: {
    message: 'This practice run can’t be played again.',
    fix: 'It stays on this device. Practice once more.',
  },
  KEPT_AS_CLAIM: {
    message: 'Another device took over this job before these entries arrived.',
    fix: 'They are on the server. The technician on the job is asked about each pull.',
  },
} as const;
