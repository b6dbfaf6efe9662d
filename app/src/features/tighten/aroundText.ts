/**
 * What stands around the pulls: the lead's word, tools that are not as they should be, measured
 * fasteners, time that ran out.
 */
export const aroundText = {
  // the lead's word
  askLead: 'Ask the lead',
  leadTitle: 'The lead’s word, in writing',
  leadWho: 'Who says it',
  leadPin: (name: string) => `PIN of ${name}`,
  leadWhy: 'Why',
  leadNone:
    'No lead technician of this shop has a PIN yet. It is set on the account page; until then a lead says it from their own device, looking at this run.',
  leadSay: 'Allow it',
  leadRefuse: 'Refuse it',
  leadAway: 'The lead is not here: go on, they decide later',
  leadAwayHint: 'it cannot be signed until they do',
  said: (name: string, what: string) => `${name}: ${what}`,
  theLead: 'The lead',
  takeIn: 'Take it in',
  waiting: (n: number) => `${n} ${n === 1 ? 'thing waits' : 'things wait'} for your word`,
  nothingWaits: 'Nothing waits for your word here.',
  saidNow: 'Said. Whoever holds the run takes it in.',
  release: {
    passed: 'It is as it should be',
    failed: 'It is not',
    single: 'The new one alone',
    redo: 'All of them anew',
  },
  deviations: {
    stoppedShort: 'stopped short',
    above: 'went too far',
    notSettled: 'did not settle',
    notSeated: 'did not seat',
    replaced: 'was replaced after its angle',
    leftOut: 'was left out',
    angleStands: 'has an angle that stands',
    added: 'has something added',
    holdPending: 'hold point gone on from',
    belowFloor: 'below its floor',
    calibration: 'wrench out of calibration',
    outOfLimits: 'measured out of limits',
    stepAbandoned: 'step given up',
    reused: 'used again',
    byFeel: 'by feel',
    claimDone: 'said by the device before',
    redone: 'done again',
    overran: 'too late on its clock',
  } as Record<string, string>,
  aboutText: {
    deviation: 'what happened',
    reuse: 'used ones',
    wrench: 'the wrench',
    compound: 'another compound',
  },
  leavesOut: (bolt: string) => `leaves out ${bolt}`,
  wrenchWith: (wrench: string, adapter: string, deg: number) =>
    `${wrench} with ${adapter} at ${deg}°`,
  decides: { allow: 'allows', refuse: 'refuses' },

  // tools out of order, adapters
  allowedWrench: 'out of calibration, allowed by the lead',
  withAdapter: 'With a crowfoot or offset',
  withoutAdapter: 'Without it',
  adapterWhich: 'Which one',
  adapterAngle: 'How it stands to the handle',
  adapterAngles: {
    '0': 'straight ahead',
    '45': 'at 45°',
    '90': 'square: changes nothing',
    '135': 'back at 135°',
  },
  adapterText:
    'A straight extension changes nothing. Pull at the grip mark, no tube on the handle.',
  adapterNone: 'There is no crowfoot in the tool list.',
  adapterLabel: (l: string, e: string) => `Wrench ${l} long, adapter ${e}`,

  // fasteners that are measured, or reused against the sheet
  lengthOf: (bolt: string) => `Length of ${bolt}, in mm`,
  lengths: (most: string) => `Each is measured; above ${most} it is not used again.`,
  isNew: (bolt: string) => `${bolt}: a new one`,
  lengthsYes: 'In, measured',
  fitAllowed: 'used ones, allowed by the lead',
  reuseAsk: 'Used ones: ask the lead',
  reuseTitle: (group: string) => `Used again against the sheet: ${group.toLowerCase()}`,
  compoundAsk: 'Another compound',
  compoundLabel: 'What is on them instead',
  compoundSaid: (what: string) => `On the fasteners: ${what}.`,

  // too late
  lateTitle: (what: string) => `The time is over: ${what}`,
  lateText:
    'If it was done in time and only confirmed late, say how long ago. If not: stop, clean it off, and begin that step again.',
  lateAgo: 'Done how many minutes ago',
  lateYes: 'It was done then',
  lateNo: 'Too late: cleaned off, begin again',

  // a broken one
  brokenDrills: (centre: string, extractor: string, largest: string) =>
    `Centre it through a guide with ${centre}; extractor at most ${extractor}; above ${largest} the drill is in the thread.`,
  brokenStop: (depth: string) =>
    `It sits ${depth} deep: set the stop there, what lies behind is not drilled into.`,
  brokenNoStop:
    'How deep it sits is not on the sheet: measure it and set a stop, what lies behind is not drilled into.',
  brokenTap: (same: string, next: string) => `The same thread anew: tap drill ${same}.${next}`,
  brokenNext: (name: string, drill: string) =>
    ` The next size is ${name}, tap drill ${drill}: only where the part allows it.`,
} as const;
