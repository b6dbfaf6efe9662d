import { entry } from './entry';

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

/** Refusals of one confirmation. */
export const pullErrors = {
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
};
