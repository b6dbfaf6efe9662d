export const pullErrors = {
  NOT_NEXT: {
    message: 'That isn’t next. Next: {{next}}.',
    fix: 'Do what the screen shows, or go back first.',
  },
  WRONG_FASTENER: {
    message: 'Fastener {{expected}} is next, not {{got}}. Out of order, the part closes unevenly.',
    fix: 'Go to {{expected}}.',
  },
  READING_TOO_MUCH: {
    message: '{{reading}} is far too much.',
    fix: 'Check the number and unit. If it really was that much, confirm it: the job stops there.',
  },
  STRIPE_BEHIND: {
    message:
      'The paint mark was at {{before}}° before this stage. At {{value}}° the bolt would have turned back.',
    fix: 'Read the mark again from where it was painted. If the bolt did turn back, loosen it or fit a new one.',
  },
  STRIPE_UNREADABLE: {
    message: 'This paint mark can’t tell the stages apart: an earlier angle was never measured.',
    fix: 'Loosen the bolt, or fit a new one.',
  },
  STEP_STOPS: {
    message: 'This answer stops the job.',
    fix: 'Fix it and answer again, or ask your lead.',
  },
  TEMPERATURE_IMPLAUSIBLE: {
    message: '{{celsius}} °C isn’t close to {{wanted}} °C.',
    fix: 'Measure on the part itself and enter it again.',
  },
  LENGTH_IMPLAUSIBLE: {
    message: '{{length}} mm doesn’t fit fastener {{fastener}}: a new one is about {{usual}} mm.',
    fix: 'Measure again. If it really is that long, it’s the wrong part.',
  },
  LENGTH_TOO_CLOSE: {
    message:
      'Fastener {{fastener}} is too close to its {{most}} mm limit to call with ±{{resolution}} mm.',
    fix: 'Use a more accurate gauge, or fit a new one.',
  },
  FASTENER_NOT_THERE: {
    message: 'Fastener {{fastener}} isn’t in: never fitted, left out or replaced.',
    fix: 'Choose one shown on the map.',
  },
  WRONG_STAGE: {
    message: 'Stage “{{expected}}” isn’t done on every bolt yet.',
    fix: 'Finish it first.',
  },
  WRONG_PASS: {
    message: 'This entry is for pass {{got}}; pass {{expected}} is on.',
    fix: 'Confirm what the screen shows.',
  },
  WRONG_OUTCOME: {
    message: 'That can’t be the result of this pull.',
    fix: 'Choose one of the answers shown.',
  },
  READING_IMPLAUSIBLE: {
    message: '{{value}} isn’t plausible for this pull.',
    fix: 'Read the gauge again and enter what it shows.',
  },
  READING_UNIT: {
    message: 'Enter the reading in {{expected}}.',
    fix: 'Use the unit shown.',
  },
  DRY_FIRST_TORQUE: {
    message:
      'The bolt didn’t turn on the first torque. Check for cross-threading or a bottomed bolt.',
    fix: 'Check it, then confirm that you did.',
  },
  NOTE_NEEDED: {
    message: 'Enter what supports the part.',
    fix: 'Don’t loosen anything that can fall before it is supported.',
  },
  ANSWERS_NEEDED: {
    message: 'Each of the {{count}} places needs an answer.',
    fix: 'Check each one, then confirm.',
  },
  WRENCH_OUT_OF_RANGE: {
    message:
      '{{wrench}} covers {{min}} to {{max}}; this stage needs {{target}}. Outside its range the click is wrong.',
    fix: 'Use another wrench.',
  },
  WRENCH_OUT_OF_CALIBRATION: {
    message: '{{wrench}}: calibration expired {{until}}.',
    fix: 'Use another wrench, or have this one checked.',
  },
  WRENCH_UNKNOWN: {
    message: 'This wrench doesn’t match your shop’s tool list.',
    fix: 'Reload the job and choose the wrench again.',
  },
  LEVER_UNKNOWN: {
    message: '{{wrench}} has no length entered, so an adapter can’t be calculated.',
    fix: 'Enter its length under Tools, or work without an adapter.',
  },
  NO_LEVER: {
    message: 'Folded back that far, the adapter leaves no lever.',
    fix: 'Turn the adapter forward, or use a shorter one.',
  },
  METHOD_NOT_ALLOWED: {
    message: 'Don’t use {{method}} for this stage.',
    fix: 'Choose one of the tools shown.',
  },
  SETTING_WRONG: {
    message: 'Set the scale to {{expected}}, not {{got}}.',
    fix: 'Set the wrench to the number shown, then confirm.',
  },
  ONE_TIME_USE: {
    message: 'This bolt is one-time use. Tightening stretched it for good.',
    fix: 'Fit a new one, then confirm. Only your lead can approve a used one.',
  },
  OWN_HOLE_ONLY: {
    message: '{{fastener}} can only be reused in the hole it came from.',
    fix: 'Put it back in its own hole, or use a new one.',
  },
  LENGTH_NEEDED: {
    message: '{{fastener}} can only be reused if it’s short enough.',
    fix: 'Measure its length and enter it, or use a new one.',
  },
  TOO_LONG: {
    message: 'Bolt {{fastener}} is {{length}} mm: too long. The limit is {{most}} mm.',
    fix: 'Fit a new one.',
  },
  VALUE_OUT_OF_RANGE: {
    message: '{{value}} is outside the sheet’s range: {{range}}.',
    fix: 'Choose a value in the range.',
  },
  ANSWER_UNKNOWN: {
    message: '“{{answer}}” isn’t an answer to this step.',
    fix: 'Choose one of the answers shown.',
  },
  MEASUREMENTS_NEEDED: {
    message_one: 'Enter {{count}} measurement.',
    message_other: 'Enter {{count}} measurements.',
    fix: 'Measure, and enter each value.',
  },
  DEFER_NOT_ALLOWED: {
    message: 'This step can’t be put off until then.',
    fix: 'Do it now, or put it off to a later step that isn’t a hold point.',
  },
  PENDING_NOT_ALLOWED: {
    message: 'Your lead can’t decide this later: it couldn’t be fixed without a new part.',
    fix: 'Choose one of the options shown, or ask your lead now.',
  },
  NOT_LEAD: {
    message: 'Only a lead technician can approve this.',
    fix: 'Ask your lead to approve it with their own PIN.',
  },
  STATEMENT_USED: {
    message: 'This approval was already used.',
    fix: 'Continue.',
  },
  STATEMENT_ABOUT_NOTHING: {
    message: 'Nothing open matches this approval.',
    fix: 'Check the job again.',
  },
  ASIDE_NOT_POSSIBLE: {
    message: '{{fastener}} can’t be set aside any longer. It’s the only one left.',
    fix: 'Tighten it, replace it, ask your lead to leave it out, or pause the job.',
  },
  ANGLE_TOGETHER: {
    message: 'Confirm angles one bolt at a time. A missed bolt looks like a done one.',
    fix: 'Confirm each bolt.',
  },
  CLOCK_PASSED: {
    message: '{{minutes}} minutes are up: {{what}}.',
    fix: 'If it was done in time, say when. If not, clean it off and redo that step.',
  },
  TOO_EARLY: {
    message: 'The wait isn’t over yet.',
    fix: 'Wait, then confirm.',
  },
  NOT_THAT_WARM: {
    message: 'Still {{celsius}} °C. Wait for {{wanted}} °C.',
    fix: 'Measure again later.',
  },
  NOT_SEATED: {
    message: 'The gap is {{gap}}: not seated yet.',
    fix: 'Pull it on further, or find what holds it off.',
  },
  DONE_AT_WRONG: {
    message: 'That time is in the future.',
    fix: 'Enter when it was done.',
  },
  INSTANCE_UNKNOWN: {
    message: 'This sheet has no “{{instance}}”.',
    fix: 'Choose which one you are tightening.',
  },
  CRANK_BLOCKED: {
    message: '“{{instance}}” isn’t finished at this crank position.',
    fix: 'Finish it, then turn the crank.',
  },
  UNDO_NOTHING: {
    message: 'Nothing to undo.',
    fix: 'Continue.',
  },
  UNDO_NOT_LAST: {
    message: 'Only the last entry can be undone.',
    fix: 'Undo one entry at a time.',
  },
  CORRECT_NOT_A_PULL: {
    message: 'Only a pull can be corrected.',
    fix: 'Undo the entry instead.',
  },
  REPLACEMENT_WRONG: {
    message: 'The replacement here is {{expected}}.',
    fix: 'Confirm the one shown.',
  },
  REQUIRES_ALL: {
    message: 'Each fastener needs an answer.',
    fix: 'Answer for the ones still open.',
  },
} as const;
