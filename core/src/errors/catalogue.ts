/**
 * Values named in a refusal's text. Plain strings and numbers, so that a refusal can be stored and
 * sent.
 */
export type ErrorParams = Readonly<Record<string, string | number>>;

interface Entry {
  message: (p: ErrorParams) => string;
  fix: (p: ErrorParams) => string;
}

const entry = (message: Entry['message'] | string, fix: Entry['fix'] | string): Entry => ({
  message: typeof message === 'string' ? () => message : message,
  fix: typeof fix === 'string' ? () => fix : fix,
});

/** Methods as they are called in a sentence. */
const METHOD_WORDS: Record<string, string> = {
  click: 'a click wrench',
  dial: 'a dial wrench',
  digital: 'a digital wrench',
  angleGauge: 'an angle gauge',
  printedDisc: 'a printed disc',
  byEye: 'the eye alone',
  byFeel: 'feel alone',
  stripe: 'the stripe',
  byHand: 'the hand alone',
  powerTool: 'a power tool',
  stretchGauge: 'a stretch gauge',
  confirmedTogether: 'several at once',
};

/** Every refusal of the product. Message and fix are what a technician reads. */
export const catalogue = {
  // at the door
  BAD_REQUEST: entry(
    (p) => `This request cannot be read: ${p.where ?? 'body'}.`,
    'Load the page again. If it stays, the app and the server are of different age.',
  ),
  TOO_LARGE: entry('This is more than one request may carry.', 'Send it in smaller parts.'),
  BUSY: entry(
    'Something large of yours is still under way.',
    'Wait until it has come, then ask again.',
  ),
  NOT_FOUND: entry('There is nothing at this address.', 'Go back to Today.'),
  SIGN_IN_NEEDED: entry(
    'You are not signed in, or your sign-in has run out.',
    'Sign in. What you entered is kept on this device.',
  ),
  SIGN_IN_WRONG: entry(
    'Name and password do not belong together.',
    'Check both, mind capitals, and try again.',
  ),
  SIGN_IN_LIMITED: entry(
    (p) => `Too many wrong tries. Signing in with this name rests for ${p.minutes ?? 15} minutes.`,
    'Wait, or ask your lead technician.',
  ),
  WRONG_ORIGIN: entry('This request came from another site.', 'Open the app at its own address.'),
  WRONG_HOST: entry(
    (p) => `“${p.host ?? ''}” is not a name of this server.`,
    'Open the app at its own address. Whoever runs the server gives it this name with --hosts.',
  ),
  ID_TAKEN: entry(
    'Something is stored under this id already.',
    'Load the page again: it may have been saved before.',
  ),
  FORBIDDEN: entry((p) => `A ${p.role ?? 'person'} may not do this.`, 'Ask your lead technician.'),
  WRONG_PERSON: entry(
    'These entries were made by another person.',
    'That person signs in to send them; they are kept until then.',
  ),
  OFFLINE: entry(
    'The server cannot be reached.',
    'Go on: what you confirm is kept on this device and sent later.',
  ),
  INTERNAL: entry(
    'Something went wrong on the server.',
    'Try again. If it stays, note the time and tell whoever runs the server.',
  ),
  KEY_MISSING: entry(
    'The shop’s signing key is missing on the server: nothing can be recorded.',
    'Tell whoever runs the server: put the key file back from a backup.',
  ),
  KEY_CHANGED: entry(
    'The signing key on the server is not the one this shop’s records are sealed with: nothing can be recorded.',
    'Tell whoever runs the server: put the right key file back from a backup.',
  ),
  DISK_FULL: entry(
    'The server’s disk is full: it takes nothing more.',
    'Go on: what you confirm is kept on this device and sent when there is room. Tell whoever runs the server.',
  ),
  STORAGE_HANGS: entry(
    'This device’s storage does not answer, so the last entry was not taken.',
    'Close other tabs of Stennet, then confirm it again. If it stays, restart the browser.',
  ),
  STORAGE_FAILED: entry(
    'This device could not keep the last entry, so it was not taken.',
    'Free some storage or leave private browsing, then confirm it again.',
  ),

  // the run's list of events
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

  // one confirmation
  NOT_NEXT: entry(
    (p) => `This is not what comes next: ${p.next ?? 'look at the screen'}.`,
    'Do what the screen says, or go back first.',
  ),
  WRONG_FASTENER: entry(
    (p) => `Fastener ${p.expected} is next, not ${p.got}. Out of order the part closes unevenly.`,
    (p) => `Go to ${p.expected}.`,
  ),
  READING_TOO_MUCH: entry(
    (p) =>
      ({
        twice: `${p.reading} is twice the target or more.`,
        pastYield: `${p.reading} is past the yield torque of this fastener.`,
        pastWrench: `${p.reading} is past the range of this wrench.`,
      })[String(p.why)] ?? `${p.reading} is far too much.`,
    'Check the unit and the number. If it really was that much, confirm it: the run then stops here.',
  ),
  STRIPE_BEHIND: entry(
    (p) =>
      `The stripe was at ${p.before}° before this stage. At ${p.value}° the fastener would have turned back.`,
    'Look again from where the stripe was painted. If it did turn back, slacken it fully or put a new one in.',
  ),
  STRIPE_UNREADABLE: entry(
    'This stripe cannot tell the stages apart: an earlier angle was never measured.',
    'Slacken it fully or put a new one in.',
  ),
  STEP_STOPS: entry('This step stops the work.', 'Put it right and answer again, or ask the lead.'),
  TEMPERATURE_IMPLAUSIBLE: entry(
    (p) => `${p.celsius} °C is not about ${p.wanted} °C.`,
    'Measure on the part itself and type it again.',
  ),
  LENGTH_IMPLAUSIBLE: entry(
    (p) => `${p.length} mm does not fit fastener ${p.fastener}: a new one is about ${p.usual} mm.`,
    'Measure again. If it really is that long, it is the wrong part.',
  ),
  LENGTH_TOO_CLOSE: entry(
    (p) =>
      `Fastener ${p.fastener} is too close to its limit of ${p.most} mm to call with ±${p.resolution} mm.`,
    'Measure with a finer instrument, or put a new one in.',
  ),
  FASTENER_NOT_THERE: entry(
    (p) => `Fastener ${p.fastener} is not in: never fitted, left out, or replaced since.`,
    'Choose one that is shown on the map.',
  ),
  WRONG_STAGE: entry(
    (p) => `Stage “${p.expected}” is not done on every fastener yet.`,
    'Finish it first.',
  ),
  WRONG_PASS: entry(
    (p) => `This belongs to pass ${p.got}; pass ${p.expected} is on.`,
    'Confirm what the screen shows.',
  ),
  WRONG_OUTCOME: entry(
    'That cannot be the result of this pull.',
    'Choose one of the answers shown.',
  ),
  READING_IMPLAUSIBLE: entry(
    (p) => `${p.value} is outside anything this pull can give.`,
    'Read the gauge again and enter what it says.',
  ),
  READING_UNIT: entry(
    (p) => `The reading must be in ${p.expected}.`,
    'Enter it in the unit shown.',
  ),
  DRY_FIRST_TORQUE: entry(
    'It did not turn at its first torque: tight already, cross-threaded or on the bottom of its hole.',
    'Look at it, then say that you did.',
  ),
  NOTE_NEEDED: entry(
    'What it will rest on is not written down.',
    'Write down what carries it, then go on. Nothing that can fall is loosened before.',
  ),
  ANSWERS_NEEDED: entry(
    (p) => `Each of the ${p.count} places needs an answer.`,
    'Look at every one, then confirm.',
  ),
  WRENCH_OUT_OF_RANGE: entry(
    (p) =>
      `${p.wrench} reads from ${p.min} to ${p.max}; this stage needs ${p.target}. Outside its range a wrench clicks wrong.`,
    'Take another wrench.',
  ),
  WRENCH_OUT_OF_CALIBRATION: entry(
    (p) => `${p.wrench} was in calibration until ${p.until}. Its click cannot be trusted.`,
    'Take another wrench, or have this one checked.',
  ),
  WRENCH_UNKNOWN: entry(
    'This wrench is not in your shop’s list as you describe it.',
    'Load the run again and choose the wrench anew.',
  ),
  LEVER_UNKNOWN: entry(
    (p) =>
      `How long ${p.wrench} is has not been entered, so an adapter on it cannot be reckoned with.`,
    'Enter its length in the tool list, or work without an adapter.',
  ),
  NO_LEVER: entry(
    'Folded back that far there is no lever left.',
    'Turn the adapter forward, or take a shorter one.',
  ),
  METHOD_NOT_ALLOWED: entry(
    (p) => `This stage may not be done with ${METHOD_WORDS[String(p.method)] ?? p.method}.`,
    'Choose one of the tools shown.',
  ),
  SETTING_WRONG: entry(
    (p) => `The scale must say ${p.expected}, not ${p.got}.`,
    'Set the wrench to the number shown, then confirm.',
  ),
  ONE_TIME_USE: entry(
    (p) =>
      `${p.group ? `${p.group}: used once` : 'This one is used once'}. Its last tightening takes it past yield, and a used one has lost its reserve.`,
    'Put new ones in, then confirm. Only the lead can allow another, in writing.',
  ),
  OWN_HOLE_ONLY: entry(
    (p) => `${p.fastener} may be used again only in the hole it came from.`,
    'Put it back into its own hole, or take a new one.',
  ),
  LENGTH_NEEDED: entry(
    (p) => `${p.fastener} may be used again only if it is short enough.`,
    'Measure its length and enter it, or take a new one.',
  ),
  TOO_LONG: entry(
    (p) =>
      `${p.fastener} measures ${p.length} mm; at most ${p.most} mm may go in again. It has stretched for good.`,
    'Take a new one.',
  ),
  VALUE_OUT_OF_RANGE: entry(
    (p) => `${p.value} is not what is published: ${p.range}.`,
    'Choose a value inside the range.',
  ),
  ANSWER_UNKNOWN: entry(
    (p) => `“${p.answer}” is none of the answers to this step.`,
    'Choose one of the answers shown.',
  ),
  MEASUREMENTS_NEEDED: entry(
    (p) => `${p.count} ${p.count === 1 ? 'measurement is' : 'measurements are'} needed here.`,
    'Measure, and enter each value.',
  ),
  DEFER_NOT_ALLOWED: entry(
    'This step cannot be put off to there.',
    'Do it now, or put it off to a later step that is not a hold point.',
  ),
  PENDING_NOT_ALLOWED: entry(
    'This cannot be left for the lead to decide later: what stands could not be put right without a new part.',
    'Choose one of the ways shown, or ask the lead now.',
  ),
  NOT_LEAD: entry(
    'Only the lead technician may say this.',
    'Ask the lead to say it, with their own PIN.',
  ),
  STATEMENT_USED: entry('This statement has been taken in already.', 'Carry on.'),
  STATEMENT_ABOUT_NOTHING: entry(
    'There is nothing open that this statement is about.',
    'Look at the run again.',
  ),
  ASIDE_NOT_POSSIBLE: entry(
    (p) => `${p.fastener} cannot be set aside any longer: nothing else is left to do before it.`,
    'Tighten it, replace it, have the lead leave it out, or pause the run.',
  ),
  ANGLE_TOGETHER: entry(
    'Turns by angle are confirmed one by one: a missed one could never be told from a done one.',
    'Confirm each fastener.',
  ),
  CLOCK_PASSED: entry(
    (p) => `${p.minutes} minutes are over: ${p.what}.`,
    'If it was done in time, say when. If not: stop, clean it off, and begin that step again.',
  ),
  TOO_EARLY: entry('The waiting time is not over yet.', 'Wait until it is, then confirm.'),
  NOT_THAT_WARM: entry(
    (p) => `${p.celsius} °C is not yet ${p.wanted} °C.`,
    'Wait, and measure again.',
  ),
  NOT_SEATED: entry(
    (p) => `With a gap of ${p.gap} it is not seated.`,
    'Draw it on further, or look for what holds it off.',
  ),
  DONE_AT_WRONG: entry('It cannot have been done later than now.', 'Say when it was done.'),
  INSTANCE_UNKNOWN: entry(
    (p) => `This sheet has no “${p.instance}”.`,
    'Choose which of them you are tightening.',
  ),
  CRANK_BLOCKED: entry(
    (p) => `“${p.instance}” is not finished at this position of the crank.`,
    'Finish it first, then turn the crank.',
  ),
  UNDO_NOTHING: entry('There is nothing to go back to.', 'Carry on.'),
  UNDO_NOT_LAST: entry('Only the last confirmation can be taken back.', 'Go back one at a time.'),
  CORRECT_NOT_A_PULL: entry('Only a pull can be corrected.', 'Take the confirmation back instead.'),
  REPLACEMENT_WRONG: entry(
    (p) => `The replacement here is ${p.expected}.`,
    'Confirm the one shown.',
  ),
  REQUIRES_ALL: entry('Each fastener needs an answer.', 'Answer for those that are still open.'),

  SETUP_DONE: entry(
    'There is a shop here already.',
    'Sign in. A lead adds people on the account page.',
  ),
  SETUP_CODE: entry(
    'That is not the code of this installation.',
    'It is printed where Stennet was started; ./stennet status prints it again.',
  ),
  NAME_TAKEN: entry(
    (p) => `There is a ${p.name} here already.`,
    'Add something that tells them apart, a second name for example.',
  ),
  PASSWORD_FORM: entry(
    'This password is too easy to guess.',
    'Take ten signs or more: no name, no year, no row of keys. Three words that have nothing to do with each other are good.',
  ),
  PASSWORD_NEEDED: entry(
    (p) => `Type your password once more, ${p.name}: this opens a door.`,
    'Then do it again.',
  ),
  CODE_WRONG: entry(
    'Name and code do not belong together, or the code has run out.',
    'A code is good once, for a day. Ask your lead technician for another.',
  ),
  CODE_ELSEWHERE: entry(
    'This person works in another shop too, so no single shop’s lead gives them a code.',
    'They change their password themselves, or whoever runs the server gives them a code.',
  ),
  HAS_LEFT: entry('You no longer belong to a shop here.', 'Ask the lead technician of the shop.'),
  LAST_LEAD: entry(
    'The shop would have no lead technician left.',
    'Make somebody else lead first.',
  ),
  NOT_ENROLLED: entry(
    'This person is not enrolled on this device.',
    'They sign in here once with their password and enrol.',
  ),

  // the lead's word
  PIN_WRONG: entry(
    (p) => `That is not ${p.name}’s PIN.`,
    'Type it again. After five wrong tries it rests for a quarter of an hour.',
  ),
  PIN_NONE: entry(
    (p) => `${p.name} has no PIN yet.`,
    'It is set on the account page, signed in as that person.',
  ),
  PIN_LIMITED: entry(
    (p) =>
      `Too many wrong tries on this device. ${p.name}’s PIN rests for ${p.minutes ?? 15} minutes.`,
    'Wait, or have it said from the lead’s own device.',
  ),
  PIN_FORM: entry(
    'A PIN is 4 to 8 digits, not all the same and not in a row.',
    'Choose another one.',
  ),
  STATEMENT_UNKNOWN: entry(
    'This statement is not on the server as you have it.',
    'Ask the lead to say it again.',
  ),

  // the record
  RUN_SIGNED: entry(
    'This record is signed. What it says does not change any more.',
    'Add what you know now as a later word; it is signed too.',
  ),
  RECORD_NOT_FINISHED: entry(
    'This run is not finished, so there is nothing to sign yet.',
    'Finish it first.',
  ),
  RECORD_PENDING: entry(
    (p) => `${p.count} ${p.count === 1 ? 'thing waits' : 'things wait'} for the lead’s word.`,
    'Have the lead decide, then sign.',
  ),
  RECORD_UNSENT: entry(
    'The server does not have the same entries as this device.',
    'Wait until all of it is saved, load the record again, then sign.',
  ),
  RECORD_ALREADY_SIGNED: entry(
    (p) => `${p.name} has signed this already.`,
    'Add what you know now as a later word.',
  ),
  RECORD_FIRST: entry(
    'The technician who did the work has not signed yet.',
    'The second signature comes after theirs.',
  ),
  SECOND_IS_ANOTHER: entry(
    'The second signature is another person’s.',
    'Have somebody sign who did not sign first.',
  ),
  NOT_YOUR_WORK: entry(
    'You have no entry in this run.',
    'Whoever did the work signs first; you may sign second.',
  ),
  RECORD_BROKEN: entry(
    (p) => String(p.fault),
    'Nothing is signed on it. Tell whoever runs the server, and keep what was printed.',
  ),
  WORD_EMPTY: entry('There are no words in it.', 'Write down what is to be added.'),
  FOREIGN_UNREADABLE: entry(
    (p) => `This file cannot be read: ${p.why}.`,
    'Export it again where it comes from, and choose that file. Nothing was written.',
  ),
  FOREIGN_BROKEN: entry(
    (p) => `The record of RO ${p.number}, ${p.joint}, does not hold: ${p.fault}`,
    'Ask for it again where it comes from. Nothing was written.',
  ),
  FOREIGN_POSES: entry(
    (p) =>
      `The record of RO ${p.number}, ${p.joint}, says that it comes from this shop, but it is signed with another key.`,
    'Nothing was written. Ask who gave you this file.',
  ),
  FOREIGN_OTHER: entry(
    (p) =>
      `Of RO ${p.number}, ${p.joint}, another record is kept, and this one does not agree with it.`,
    'Nothing was written. Ask where they come from, and compare the fingerprints with what stands on paper.',
  ),
  FOLLOW_UP_CHANGED: entry(
    (p) => `${p.by} has answered this meanwhile.`,
    'Look at it again; what you typed is still here.',
  ),
  REASON_NEEDED: entry(
    'Why it is declined is not written down.',
    'Write down what the owner said.',
  ),

  // the repair order
  ORDER_CHANGED: entry(
    (p) => `${p.by} has changed this meanwhile (${p.at}).`,
    'What you typed is still here. Look at both, then keep one.',
  ),
  ERASE_OPEN: entry(
    'This repair order is not handed over yet: whose it is, is still needed.',
    'Hand it over first, then erase the customer.',
  ),
  ORDER_NUMBER_TAKEN: entry(
    (p) => `RO ${p.number} is there already.`,
    'Open that one, or take another number.',
  ),
  ORDER_STATE: entry(
    (p) => `This repair order is not ready to be ${p.state}: ${p.why}.`,
    'Do that first, or look at what blocks it.',
  ),
  TOOL_CHANGED: entry(
    (p) => `${p.by} has changed this tool meanwhile.`,
    'What you typed is still here. Load the list again, then enter it once more.',
  ),
  TOOL_RANGE: entry(
    'The lowest value of the scale must be below the highest, and a graduation smaller than both.',
    'Read it off the wrench again.',
  ),
  PHOTO_KIND: entry(
    'Only photos can be kept here: JPEG, PNG or WebP.',
    'Take a photo, or save the picture in one of these forms.',
  ),
  TRACE_BROKEN: entry(
    'What the wrench saw of this pull did not arrive whole.',
    'It is sent again from this device; the value itself is kept.',
  ),
  PHOTO_BROKEN: entry('This photo did not arrive whole.', 'It is sent again from this device.'),

  // sheets
  SHEET_NOT_RUNNABLE: entry(
    (p) => `There is an error in the sheet, at ${p.where}: ${String(p.what).replace(/\.$/, '')}.`,
    'Have the lead technician correct the sheet, then start.',
  ),
  SHEET_VERSION: entry(
    (p) => `The sheet is written in form ${p.v}, which this version does not know.`,
    'Load the app again; if it stays, have the sheet exported anew.',
  ),
  SHEET_INVALID: entry(
    (p) => `The sheet is wrong at ${p.where}.`,
    'Have the lead technician correct it.',
  ),
  SHEET_ID_TAKEN: entry(
    'A sheet with this name is in the library already.',
    'Open that one and write its next revision.',
  ),
  SHEET_NOT_STANDING: entry(
    'This revision is not the one that stands.',
    'Choose the approved revision of the sheet.',
  ),
  DRAFT_CHANGED: entry(
    (p) => `${p.by} has changed this draft meanwhile (${p.at}).`,
    'Yours is kept on this device. Look at both, then say which one goes on.',
  ),
  DRAFT_GONE: entry(
    'This draft is no longer there: it was approved or discarded.',
    'Yours is kept on this device. Look at the sheet, then keep it as a new draft or let it go.',
  ),
  DRAFT_NOT_READY: entry(
    (p) => `“${p.title}” is not ready: ${String(p.what).replace(/\.$/, '')}.`,
    'Mend it in the draft, then approve it.',
  ),
  DRAFT_WARNINGS: entry(
    (p) =>
      `“${p.title}” has ${p.count} ${p.count === 1 ? 'warning that nobody has answered' : 'warnings that nobody has answered'}.`,
    'Read each one and say that it was meant so.',
  ),
  OWN_DRAFT: entry(
    (p) =>
      `The last change to “${p.title}” is yours. A value is approved by somebody who did not write it.`,
    'Ask the other lead technician to compare it with its source and approve it.',
  ),
  IMPORT_UNREADABLE: entry(
    (p) => `This file cannot be read: ${p.why}.`,
    'Export it again where it comes from, and choose that file. Nothing was written.',
  ),
  IMPORT_REFUSED: entry(
    (p) => `${p.count} of the sheets cannot be taken.`,
    'Mend them in the file, or leave them out. Nothing was written.',
  ),
  CELL_UNREADABLE: entry(
    (p) => `“${p.cell}” in column “${p.column}” cannot be read: ${p.why}.`,
    'Mend that cell and choose the file again.',
  ),
  JOINT_BEGUN: entry(
    'This joint is being tightened, or is tight, by the sheet it has.',
    'Choose a joint that has not been started.',
  ),
  UNIT_KIND: entry(
    (p) => `A value in ${p.from} cannot be turned into ${p.to}.`,
    'Use two units of the same kind.',
  ),
  THREAD_UNKNOWN: entry(
    (p) => `“${p.thread}” is no thread that is known here.`,
    'Write it like M10, M10×1.25 or 3/8-16.',
  ),
  CLASS_UNKNOWN: entry(
    (p) => `“${p.name}” is no property class that is known here.`,
    'Choose one of the classes listed.',
  ),
  UNIT_UNREADABLE: entry(
    (p) => `“${p.text}” is no unit that is known here.`,
    (p) => `Type the number alone; it is taken in ${p.expected}.`,
  ),
  PLANE_UNDETERMINED: entry(
    'A face is measured at four or more places that do not lie on one line.',
    'Measure at more places, over the whole face.',
  ),
  STRIP_TABLE: entry(
    'The marks of this gauge strip contradict each other: a wider strip must mean less clearance.',
    'Read them off the bag again.',
  ),
  NUMBER_UNREADABLE: entry(
    (p) => `“${p.text}” is not a number.`,
    'Type digits, with a point or a comma before the decimals.',
  ),
} as const satisfies Record<string, Entry>;

export type ErrorCode = keyof typeof catalogue;
