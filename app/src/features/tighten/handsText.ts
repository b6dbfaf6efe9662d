import { OUTCOME_TEXT } from '@stennet/core/record';
/** Map, hands-free, several together, another one, and what happened to one fastener. */
export const handsText = {
  more: 'More',
  setup: 'Map, sound, voice',
  mapTitle: 'The map, as you stand to it',
  turnMap: 'Turn a quarter',
  mirror: 'Mirror: other bank, or from below',
  mirrorOff: 'Not mirrored',
  larger: 'Larger',
  smaller: 'Smaller',
  handsTitle: 'Hands-free',
  sound: 'Sounds',
  speech: 'Voice',
  vibration: 'Vibration',
  huge: 'Very large, for two metres',
  noVoice: 'This device has no voice of its own.',
  lock: 'Lock the wet glass',
  lockText: 'Pedals and keys still work.',
  lockedTitle: 'Glass locked',
  lockedText: 'Drops on the glass do nothing. Press 1, then 2, to open it.',
  unlock: (n: number) => `${n}`,
  sayAgain: 'Say again',
  close: 'Back to the work',
  isOn: (what: string) => `${what}: on`,
  isOff: (what: string) => `${what}: off`,

  outcomes: OUTCOME_TEXT as Record<string, string>,
  takenBack: 'taken back',
  oldOne: 'the one before',

  // one fastener
  which: 'Did I do this one?',
  whichText: 'Tap it on the map, or here.',
  oneTitle: (bolt: string) => `What happened to ${bolt}`,
  nothing: 'Nothing yet.',
  isDone: 'Done in this pass.',
  isDue: 'It is the one on the screen.',
  isOpen: 'Not done in this pass.',
  isOut: 'Left out by the lead.',
  from: (bag: string) => `Kept in ${bag} when it came out.`,
  at: (time: string, by: string) => `${time}${by ? `, ${by}` : ''}`,
  correct: 'Correct the last one',
  correctTitle: 'What really happened?',
  notTurned: 'It was not turned: ask again',
  pullAgain: 'Pull it once more',
  besides: 'I did something besides',
  besidesTitle: 'What was done besides the sheet?',
  besidesText:
    'It stands on the record. Eased, its last torque is asked again; after an angle it is lost.',
  besidesAll: 'A whole round besides the sheet',
  besidesRound: (n: number) =>
    `On all ${n} that are in. It stands on the record as one round. Eased, their last torque is asked again; after an angle it is lost.`,
  besidesValue: 'As the wrench or the disc said it, where somebody looked.',
  added: { torque: 'Tightened by torque', angle: 'Turned by an angle', loosen: 'Eased' },
  leaveOutYes: 'Leave it as it is',
  letStand: 'Let it stand',
  leaveOut: 'Leave it out: ask the lead',

  // several together
  several: 'Several at once',
  severalTitle: 'Several at once, in order',
  severalText:
    'For two hands on the bar and nobody at the screen. The record says that they were confirmed together, and who turned.',
  severalCount: 'How many',
  severalAll: (n: number) => `all ${n}`,
  severalWho: 'Who turned them',
  severalNext: (bolts: string) => `That is ${bolts}.`,
  severalYes: (n: number, outcome: string) => `${n} of them: ${outcome.toLowerCase()}`,

  // another one
  another: 'It was another one',
  anotherTitle: (bolt: string) => `Not ${bolt}: which one was it?`,
  anotherText: 'It is judged by what that one had. The one on the screen is asked next.',

  // away
  awayTitle: (minutes: number) => `You were away for ${minutes} minutes`,
  awayText: (last: string, next: string) =>
    `Last was ${last}. Look at the stripe of ${next} before you pull: has it been turned?`,
  awayNot: 'It is not turned: go on',
  awayTurned: 'It is turned: read it off',

  // the end
  nextCap: (name: string) => `Next: ${name}`,
  nextCrank: (name: string, deg: string) => `Next: ${name}. First turn the crank to ${deg}.`,
} as const;
