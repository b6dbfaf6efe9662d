import { apartText } from './apartText';
import { aroundText } from './aroundText';
import { askText, upperFirst } from './askText';
import { handsText } from './handsText';
import { wrenchText } from './wrenchText';
import type { Whereabouts } from '@stennet/core/joint';
import type { FailureKind, Outcome, Reason } from '@stennet/core/run';
import { wrongText } from './wrongText';

export const ordinal = (n: number): string => {
  const tail =
    n % 100 > 10 && n % 100 < 14
      ? 'th'
      : (({ 1: 'st', 2: 'nd', 3: 'rd' } as Record<number, string>)[n % 10] ?? 'th');
  return `${n}${tail}`;
};
const rows: Record<number, readonly string[]> = {
  1: ['in the row'],
  2: ['top row', 'bottom row'],
  3: ['top row', 'middle row', 'bottom row'],
};

export { fastenerName } from '@stennet/core/procedure';
export { upperFirst };

export const text = {
  ...wrongText,
  ...aroundText,
  ...apartText,
  ...handsText,
  ...askText,
  heard: wrenchText,
  back: 'Back to the repair order',
  sub: (ro: string, vehicle: string) => `RO ${ro} · ${vehicle}`,
  loading: 'Opening the run',
  failed: 'The run could not be opened',
  retry: 'Try again',
  pause: 'Pause',

  keepsOld: (old: string, by: string) => `goes on by rev ${old}; rev ${by} stands for new runs`,
  readOnly: 'Only technicians and leads tighten on a repair order.',
  readOnlyApprentice:
    'Apprentices do not tighten on a customer’s vehicle. Here you can follow along.',
  compound: (kind: string, place: string) =>
    `${kind} on ${place === 'under head' ? 'the underside of the head' : place}`,
  noCompound: 'nothing on the threads',

  // panel
  reasons: {
    firstRound: 'first time round',
    moved: 'some still moved',
    confirmSettled: 'a quiet round must follow',
    inOrder: '',
    angleNotReached: 'not there yet',
    asideLast: 'it was set aside',
    lagsBehind: 'it was left open before',
    anyOrder: 'any order will do',
    nextPart: 'the next part on the same one',
    replacementCatchesUp: 'the new one catches up alone',
  } as Partial<Record<Reason, string>>,
  round: (n: number) => `${ordinal(n)} time round`,
  place: (n: number, of: number) => `${ordinal(n)} of ${of}`,
  where: (at: Whereabouts) =>
    at.shape === 'alone'
      ? ''
      : at.shape === 'ring'
        ? `at ${at.hour} o’clock`
        : `${rows[at.rows]?.[at.row - 1] ?? `row ${at.row} of ${at.rows}`}, ${at.inRow} of ${at.ofRow} from the left`,
  published: (value: string) => `published ${value}`,
  on: (tool: string) => `on ${tool}`,
  outcomeWords: {
    clicked: 'Clicked',
    turned: 'It turned',
    heldStill: 'It did not turn',
    done: 'Done',
    reached: 'Done',
    noClick: 'No click',
    stoppedShort: 'It stopped short',
  } as Record<Outcome, string>,
  movedMore: (deg: number) => `more than ${deg}°`,
  movedLess: (deg: number) => `${deg}° or less`,
  chosen: (value: string, range: string) => `${value}, chosen from ${range}`,
  allByHand: (n: number) => `All ${n} by hand`,
  allRunDown: (n: number) => `All ${n} run down`,
  reached: (angle: string, by: string) => `Turned ${angle} ${by}`,
  reading: 'Enter the reading',
  by: {
    angleGauge: 'by gauge',
    printedDisc: 'by disc',
    byEye: 'by eye',
    stripe: 'by the stripe',
    click: '',
    dial: '',
    digital: '',
    byFeel: 'by feel',
    confirmedTogether: '',
    byHand: 'by hand',
    powerTool: 'by power tool',
    stretchGauge: 'by stretch',
  },
  flats: ({ whole, quarters, off }: { whole: number; quarters: number; off: number }) => {
    const about = off === 0 ? '' : off > 0 ? 'a bit more than ' : 'a bit less than ';
    const q = ['', 'a quarter', 'a half', 'three quarters'][quarters];
    if (whole === 0) return `${about}${q} of a flat`;
    const flats = `${about}${whole} ${whole === 1 ? 'flat' : 'flats'}`;
    return q ? `${flats} and ${q}` : flats;
  },
  soFar: (angle: string) => `${angle} turned so far`,
  goBack: 'Go back',
  otherAngle: 'Other angle',
  wrong: 'Something is wrong',
  otherTool: 'Other tool',
  keyNames: { Enter: 'Enter', ' ': 'Space', PageDown: 'pedal down', PageUp: 'pedal up' } as Record<
    string,
    string
  >,
  keyFor: (keys: string, label: string) => (keys ? `${keys}: ${label}` : label),
  keys: { more: 'Backspace: go back · W: something is wrong', say: 'S: say again' },
  quick: (bolt: string) => `That was quick. Is ${bolt} really done?`,
  quickYes: 'Yes, it is done',
  quickNo: 'No, not yet',
  dryTitle: (bolt: string) => `${bolt} did not turn at its first torque`,
  dry: 'It may be tight already, cross-threaded or on the bottom of its hole. Undo it by hand and look.',
  dryYes: 'I looked: it is seated as it should be',
  dryNo: 'Ask again',

  // steps around the pulls
  fitNewTitle: (what: string) => `New ones only: ${what}`,
  fitNew: (why: string) => `One-time-use. ${why}`,
  compoundChosen: (condition: string) => `On Prepare ${condition} was chosen`,
  compoundChosenText:
    'The sheet was published for another one. Ask the lead before anything goes on.',
  makerSays: 'The maker has them replaced each time.',
  fitNewYes: (n: number) => `${n} new ones are in, by hand`,
  fitTitle: (what: string) => `${what} by hand`,
  fit: 'Each must start by hand. Anything tight by hand is stopped now, not later.',
  coat: (what: string) => `${what.charAt(0).toUpperCase()}${what.slice(1)}.`,
  fitOld: 'The old one does this part of the work; it is used once, and a new one goes in later.',
  fitOwn: 'In, each in its own hole',
  fitNewOnes: 'In, new ones',
  notYet: 'Not yet',
  chooseTitle: (stage: string) => `Tool for ${stage}`,
  chooseAngle: 'How will you measure the turn?',
  methods: {
    angleGauge: 'Angle gauge',
    printedDisc: 'Printed disc',
    byEye: 'By eye',
    click: 'Click wrench',
    dial: 'Dial wrench',
    digital: 'Digital wrench',
    byFeel: 'By feel',
    stripe: 'Stripe',
    confirmedTogether: '',
    byHand: 'By hand',
    powerTool: 'Power tool',
    stretchGauge: 'Stretch gauge',
  },
  byFeelHint: 'recorded as by feel',
  scale: (value: string) => `set to ${value}`,
  setTorque: 'Set the wrench',
  setAngle: 'Now by angle',
  setYes: 'It is set',
  angleYes: (angle: string) => `Yes, ${angle} each`,
  setAngleText:
    'Plain bar, even pull. Near the end the pull goes soft: keep on to the angle. Never twice on the same bolt.',
  markTitle: 'Paint a stripe on each bolt',
  mark: 'One stroke across the head and the casting, in line. From the first angle on only the stripe tells what has turned.',
  markYes: (n: number) => (n === 1 ? 'The stripe is on' : `${n} stripes are on`),
  pausedTitle: 'Paused',
  pausedAgo: (ago: string) => `Left ${ago}.`,
  last: (what: string) => `Last: ${what}.`,
  nextUp: (what: string) => `Next: ${what}.`,
  carryOn: 'Carry on',
  finishTitle: 'All done',
  finish: (n: number) =>
    n === 0
      ? 'No deviations. Finish puts the values on the repair order.'
      : `${n} ${n === 1 ? 'deviation stands' : 'deviations stand'} on the record. Finish puts the values on the repair order.`,
  finishYes: 'Finish and record',
  doneTitle: 'Finished',
  done: 'Every tightened value stands on the repair order.',
  seeRecord: 'See the record',

  // steps, rounds, waiting
  stepTitle: 'Before you go on',
  stepYes: 'Done',
  stepsYes: (n: number) => `All ${n} seen and done`,
  neighboursTitle: 'Look at the ones beside it',
  neighboursHeld: 'None has moved',
  swapTitle: (bolt: string) => `New one in for ${bolt}`,
  roundTitle: (n: number, stage: string) => `Round ${n}: ${stage}`,
  roundSeated: 'It is seated',
  roundNot: 'Not yet, another round',
  waitTitle: 'Wait',
  waitUntil: (time: string) => `Until ${time}.`,
  waitYes: 'Waited',
  crankTitle: 'Turn the crank',
  crankYes: 'It is turned',
  valueTitle: (stage: string) => `Choose the value for “${stage}”`,
  valueLabel: (unit: string) => `Value, in ${unit}`,
  measureLabel: (row: string | undefined, unit: string) => `${row ?? 'Measured'}, in ${unit}`,
  limitsBetween: (min: string, max: string) => `Between ${min} and ${max}`,
  limitLeast: (min: string) => `At least ${min}`,
  limitMost: (max: string) => `At most ${max}`,
  outside: '✕ Outside the limits',
  loosenWords: (how: 'free' | 'crack' | number) =>
    how === 'free' ? 'Slacken fully' : how === 'crack' ? 'Just ease it' : `Slacken by ${how}°`,
  temperatureLabel: 'Temperature, in °C',
  holdFailed: (bolt: string, what: string) => `${what}: ${bolt}`,
  holdText: {
    broke:
      'Stop here. Leave the others as they are; get the rest of the bolt out. Look for what broke it: liquid in the hole, thread, wrong bolt.',
    stripped: 'Stop here. The thread in the part must be made good before a new bolt goes in.',
    crossThreaded:
      'Take it out by hand. Chase the thread, never cut it; a damaged bolt is not used again.',
    bottomed: 'Take it out. Look for liquid or dirt in the hole and compare the length.',
    driveRounded: 'Take it out with a better-fitting socket and put in a new one.',
    angleLost:
      'First read the turn off its stripe. Only when the stripe is lost too: slacken it fully, put in a new bolt, and bring that one back through all stages.',
    wontStartByHand: 'Take it out and look at both threads.',
    wontLoosen: 'Leave it and ask your lead.',
    stepAbandoned: 'Leave it and ask your lead.',
  } as Record<FailureKind, string>,
  notSettledTitle: 'It does not settle',
  notSettled: (bolts: string, n: number) =>
    `After ${n} rounds these still moved: ${bolts}. Look for dirt, threads, a dowel or a gasket out of place.`,
  findingLabel: 'What you found',

  // another device
  nextThere: (line: string) => `Next there: ${line}`,
  claims: (n: number, bolts: string) =>
    `says that ${n} ${n === 1 ? 'pull was' : 'pulls were'} made before the run was taken over: ${bolts}. You are asked about each.`,
  elsewhere: (person: string, device: string) => `${person} holds this run on ${device}.`,
  elsewhereText:
    'Here you see what the server has of it. If you take over, that device can no longer write; what it has not sent yet stays on it.',
  thisDevice: 'another device',
  takeOver: 'Take over here',
  found: { turned: 'turned', notTurned: 'not turned', cannotTell: 'cannot tell' },
  signInTitle: (n: number) => `Sign in to send ${n} ${n === 1 ? 'entry' : 'entries'}`,
  signInText: 'They are kept on this device. You can go on meanwhile.',
  signInGo: 'Sign in',

  mapLabel: (joint: string, n: number, next: string | null) =>
    `${joint}, ${n} fasteners.${next ? ` Next: ${next}.` : ''}`,
  values: 'Values so far',
} as const;
