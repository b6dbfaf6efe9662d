/** Taking apart, looking, measuring inside a run, and what happens on the way. */
export const apartText = {
  // checks
  note: 'What you saw, if it needs words',
  eachSeen: 'That is what I see',
  sawThat: (answer: string) => `Found: ${answer}.`,
  then: {
    goOn: '',
    clean: 'Clean it, then look again.',
    replace: 'It is replaced. With the new one in, look again.',
    machine: 'It goes out to be machined. When it is back, look again.',
    look: 'Look further before anything goes on. Then answer again.',
    back: '',
    stop: 'Stop here. Nothing goes on like this: pause and tell your lead.',
  } as Record<string, string>,
  partOn: 'Put it on the parts list',
  partIsOn: 'It is on the parts list.',
  outOn: 'Note it as going to the machine shop',
  outIsOn: 'It stands on the repair order as out of the house.',
  machineShop: 'machine shop',
  pendingStep: 'Go on, the lead decides',
  giveUp: 'Give this step up',
  giveUpTitle: 'What stays undone?',
  giveUpLabel: 'What stays undone, and why',
  giveUpYes: 'Given up: it stands on the record',
  photo: 'Take a photo',
  photos: (n: number) => (n === 1 ? 'One photo is kept.' : `${n} photos are kept.`),
  photoTitle: 'A photo first',
  photoDone: 'The photos are taken',
  photoNone: 'No camera here: go on without',
  noPhoto: 'no photo was taken',
  cannotKeep: 'This device could not keep it. Free some storage, then try again.',

  // what a heavy part rests on
  restTitle: 'Before the last one comes out',
  restLabel: 'What it rests on',
  restYes: 'It rests on that',

  // where they are kept
  bagTitle: 'Where are they kept?',
  bagText: (n: number) =>
    `${n} came out. What goes back goes back into its own hole: say which are kept where.`,
  bagScrap: 'Used once: they are counted and thrown away.',
  bagLabel: 'Bag, board or bin',
  bagLength: 'Length, in mm, if it differs',
  bagYes: (n: number) => (n === 1 ? 'This one is in it' : `These ${n} are in it`),
  bagWhich: 'Which ones',
  lengthWrong: 'Millimetres, more than 0.',
  bagFrom: (bag: string, fasteners: string) => `From ${bag}: ${fasteners}.`,

  // a broken one
  tried: 'What was tried, if it needs words',
  noRoom: 'No room: the part comes off, to the machine shop',
  noRoomTo: 'To whom',
  noRoomAsked: 'What is asked',
  noRoomYes: 'It goes out',
  noRoomSaid: 'no room: part off, to the machine shop',
  behind: (what: string) =>
    `Behind the bottom of the hole: ${what}. The stop is set before the drill turns.`,
  rungCount: (n: number, of: number) => `Attempt ${n} of ${of}`,
  apartAgain: 'It is out',
  restartBroken: 'Part is off: all slackened, begin anew when it is back',
  leftIn: 'It stays as it is: ask the lead',

  // on the way
  around: 'On the way: dropped, put in, photo',
  aroundTitle: 'On the way',
  aroundPhoto: 'Photo of damage',
  aroundPhotoOf: 'What it shows',
  aroundClose: 'Back to the work',
  aroundAway: 'The repair order is not on this device yet. Open it once with a network.',

  // finishing
  apartFinishTitle: 'It is apart',
  apartFinishYes: 'Finish taking apart',
  apartFinish: (n: number) =>
    n === 0
      ? 'Finish puts what came off, and where it is kept, on the repair order.'
      : `${n} ${n === 1 ? 'thing stands' : 'things stand'} on the record. Finish puts it on the repair order.`,
  apartDone: 'What came off, where it is kept and what is left undone stands on the repair order.',
  apartRecord: 'See what came off',

  // measured
  measureRecord: 'Record these readings',
  measureLimit: (label: string, value: string) => `${label}: ${value}`,
  measureFail: 'Put it right and measure again, or the lead decides.',
  neighboursSome: (n: number) => (n === 1 ? 'This one has moved' : `These ${n} have moved`),
  neighboursWhich: 'Which have moved',
} as const;
