export const upperFirst = (words: string): string =>
  `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

/** What is asked back, read off, slackened first, and reviewed. */
export const askText = {
  shortTitle: 'How far did it turn?',
  shortHint: (wanted: string) => `${wanted} were wanted. Nothing is recorded yet.`,
  shortAsk: (name: string, target: string) => `${upperFirst(name)} stopped short of ${target}?`,
  shortText:
    'Near the end the pull goes soft: keep an even pull. A stop short is a deviation that the lead decides.',
  shortAgain: 'Pull it again',
  shortMissing: (deg: string) => `Turn the missing ${deg} now`,
  shortRecord: 'Record that it stopped short',
  shortUnknown: 'Not measured',
  tooMuchNo: 'Check and type it again',
  tooMuchYes: (value: string) => `Yes, it was ${value}: stop here`,
  stripeTitle: (name: string) => `Where is the stripe of ${name} now?`,
  stripeDrawn: (before: number, target: number) =>
    `Stripe: painted at the top, at ${before} degrees before this stage, at ${target} degrees when it is done`,
  stripeText: (before: number, target: number) =>
    `Measured from where it was painted. Before this stage it was at ${before}°. When this stage is done it is at ${target}°.`,
  stripeNot: 'Not turned yet',
  stripeAll: 'All the way',
  stripeAt: (deg: number) => `at ${deg}°`,
  stripeLabel: 'Somewhere else: degrees from the painted mark',
  stripeLost:
    'This stripe cannot tell: an earlier angle was never measured. Slacken it fully, or put a new one in.',
  slackenTitle: (n: number) => (n === 1 ? 'Slacken this one first' : `Slacken these ${n} first`),
  slackenYes: (n: number) => (n === 1 ? 'It is slack' : `All ${n} are slack`),
  slackenOrder: (names: string) => `In this order: ${names}.`,
  slackenThen: (stage: string) =>
    `Last tightened comes loose first. Then start again from “${stage}”.`,
  settleHere: 'Decide here',
  plainTitle: 'This screen cannot be shown',
  plainText: 'The work can go on: confirm the next thing here, or reload the page.',
  plainNext: (what: string) => `Next: ${what}`,
  plainReload: 'Reload the page',
  reconcileTitle: 'Look at every stripe',
  reconcile: (stage: string) =>
    `You took over during “${stage}”. For each one: has it been turned in this pass?`,
  reconcileAngle: (before: number, target: number) =>
    `From where the stripe was painted: turned means at ${target}°, not turned means at ${before}°. Anything between is “cannot tell”: it is read off next.`,
  reconcileYes: 'That is what I see',
  refusedTitle: (n: number) =>
    `${n} ${n === 1 ? 'entry was' : 'entries were'} not taken by the server`,
  refusedText:
    'They stay on this device and do not count. Check the fasteners concerned before you continue.',
  refusedShow: 'Review them',
  refusedLine: (what: string, at: string) => `${what}, ${at}`,
  refusedWhy: 'Why they can be dismissed',
  refusedDismiss: 'Dismiss them: kept as a note on the record',
} as const;
