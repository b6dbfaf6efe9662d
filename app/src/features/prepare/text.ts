export const text = {
  title: 'Prepare',
  sub: (ro: string, vehicle: string) => `RO ${ro} · ${vehicle}`,
  back: 'Back to the repair order',
  loading: 'Opening the sheet',
  failed: 'The sheet could not be opened',
  retry: 'Try again',
  start: 'Start tightening',
  startApart: 'Start taking apart',
  againTitle: 'Prepare to tighten again',
  apartTitle: 'Prepare to take apart',
  apartOpen: 'Taking it apart is not finished',
  apartOpenText:
    'Finish that run first: it says what came out, where it is kept, and what is left undone.',
  apartGo: 'Go there',
  openApart: 'taking apart',
  openInstance: 'which one',
  already: (name: string) => `${name}: there is a run already`,
  alreadyGo: 'Open it',
  instanceTitle: { banks: 'Which bank', caps: 'Which cap', cylinders: 'Which cylinder' } as Record<
    string,
    string
  >,
  instanceDone: (label: string) => `${label}, done`,
  crank: (deg: string) => `Crank at ${deg} after the first one’s place.`,
  pair: (labels: string) => `Led as one sitting with ${labels}.`,
  slackening: 'How it comes apart',
  starting: 'Starting',
  startReads: 'Starting says that this page is read and everything is laid out.',
  startOnline:
    'Starting needs the server: it alone knows that no other device has begun on this joint.',
  readOnly: 'Only technicians and leads tighten on a repair order.',
  readOnlyApprentice:
    'Apprentices do not tighten on a customer’s vehicle. Follow along here; a technician starts and confirms the work.',
  open: (what: string) => `Still open above: ${what}.`,
  openWhich: 'which one it is',
  openParts: 'the new parts',
  cautions: 'Take care',
  mapLabel: (joint: string, n: number) => `${joint}, ${n} fasteners.`,

  // what stands against the start
  stopsTitle: 'This cannot be started yet',
  openStops: 'what stands against it',
  openOut: 'what was left out',
  outTitle: (n: number) =>
    n === 1 ? 'One was left out at teardown' : `${n} were left out at teardown`,
  outText: 'What is still out is not tightened, and the record says so.',
  outIs: { out: 'Still out', repaired: 'Repaired: tighten it' },

  // one-time-use, alone
  newTitle: (n: number, what: string) => `${n} ${what.toLowerCase()}, new ones only`,
  newHere: (n: number, what: string, lot: string) =>
    `${n} new ${what.toLowerCase()} ${n === 1 ? 'is' : 'are'} here${lot ? `, lot ${lot}` : ''}.`,
  newOrdered: 'Ordered, not here.',
  newWrong: 'What came does not match the sheet',
  newWrongText: 'It stays wrong until the right part is here: check the new one on the parts list.',
  newYes: (n: number) => (n === 1 ? 'The new one is here' : `${n} new ones are here`),
  newNo: 'Not here: the lead decides at the bolt',
  newLead: 'Nothing is tightened with used ones before the lead allows it in writing.',
  cannotKeep: 'This device could not keep it. Free some storage, then try again.',

  // clocks, alone
  clocks: 'Against the clock',
  within: (minutes: number, what: string) =>
    `${what}: ${minutes} minutes, then it is cleaned off and begun again.`,
  notBefore: (minutes: number, what: string) => `${what}: wait ${minutes} minutes.`,
  clocksText: 'Have everything at hand before the first bead.',

  // tools
  tools: 'Tools',
  changes: (n: number) =>
    n === 0
      ? 'One wrench for all torque stages.'
      : `${n} ${n === 1 ? 'change' : 'changes'} of wrench on the way.`,
  set: (wrench: string, value: string) => `${wrench}: set to ${value}`,
  choose: (wrench: string) => `${wrench}: the value is chosen at the stage`,
  tooCoarse: (wrench: string) => `${wrench} cannot be set finely enough here`,
  tooCoarseText: 'Its nearest mark is outside the tolerance. Use a finer wrench.',
  rounding: (percent: string) => `rounded to its scale, ${percent} %`,
  push: (n: string) => `about ${n} N at the grip`,
  hard: (mm: string) =>
    `That is a hard push: a bar of ${mm} or a second hand, feet apart, the part braced. A bolt may let go.`,
  bar: (name: string) => `${name}, plain, even pull`,
  noBar: 'A plain bar; none is in the tool list.',
  gauge: (names: string) => `measured by ${names}`,
  noGauge: 'no angle gauge in the list: print the disc below',
  end: (nm: string, n: string) => `near the end about ${nm}, ${n} N`,
  missing: (value: string) => `No wrench for ${value}`,
  tooLow: (name: string, min: string) =>
    `None reaches down to it; the lowest, ${name}, begins at ${min}.`,
  tooHigh: (name: string, max: string) =>
    `None reaches up to it; the highest, ${name}, ends at ${max}.`,
  between: 'One ends below it, the next begins above it.',
  overdue: (name: string, until: string) =>
    `Only ${name} reaches it, and its calibration ended ${until}. Have it checked, or ask the lead at that stage.`,
  none: 'There is no torque wrench in the tool list. A lead technician enters them under Tools.',
  low: 'Get one that does: this stage is neither skipped nor done with one that does not reach.',
  high: 'Get a larger one, or a torque multiplier whose ratio is known.',
  byFeel: 'It only seats the part: it may be done by feel, and is recorded so.',
  toolsLoading: 'Looking up the tools',
  toolsAway:
    'The tool list is not on this device. The wrench is chosen at each stage all the same.',
  toolList: 'The shop’s tools',

  // compounds
  compounds: 'What goes on them',
  nothing: (group: string) => `${group}: nothing on the threads, nothing under the head.`,
  asPublished: (condition: string) => `Back to the published one: ${condition}`,
  otherCompound: 'Another compound in the hand?',

  // angles
  angles: 'By angle',
  room: 'Room for the handle',
  step: 'How it engages again',
  steps: { '5': 'ratchet', '30': '12-point', '60': 'hexagon' },
  noRoom: (angle: string) => `${angle}: no step fits in this room.`,
  swing: (angle: string, n: number, each: string) =>
    `${angle}: ${n} ${n === 1 ? 'swing' : 'swings'} of ${each}`,
  flats: (flats: string, points: string) => `${flats} flats, ${points} points of a 12-point`,
  disc: 'Print the angle disc',
  drive: 'Square of the bar, in inches',

  // the list
  list: 'Lay out, in the order you will meet it',
  socket: (socket: string, n: number) => `${socket}, for ${n}: no near fit, it rounds the head off`,
  holdLoosening: (how: string) => `Crank, for loosening: ${how}`,
  holdTightening: (how: string) => `Crank, for tightening: ${how}`,
  shopLock: (name: string, holds: string) => `${name}, ${holds}`,
  shopDrawing: (name: string, most: string) => `${name}, never above ${most}`,
  holds: {
    loosening: 'holds for loosening only',
    tightening: 'holds for tightening only',
    both: 'holds both ways',
  },
  part: (n: number, what: string) => `${n} × ${what}`,
  partState: {
    needed: 'to order',
    ordered: 'ordered, not here',
    here: 'here',
    fitted: 'fitted',
    notNeeded: 'not needed',
  },
  consider: (what: string, why: string) => `Worth replacing now: ${what}.${why ? ` ${why}` : ''}`,
} as const;
