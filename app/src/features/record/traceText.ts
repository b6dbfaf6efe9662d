export const traceText = {
  title: 'What the wrench saw',
  loading: 'Fetching what the wrench saw',
  failed:
    'The curves could not be worked out here. The values above stand; open the record again, or look at it on paper.',
  missing: (n: number) =>
    `${n} ${n === 1 ? 'trace is' : 'traces are'} still on the device that read ${n === 1 ? 'it' : 'them'}, or could not be fetched.`,
  stage: (stage: string, count: number) =>
    `${stage}: ${count} traced ${count === 1 ? 'pull' : 'pulls'}`,
  caption: (unit: string, from: 'snug' | 'tight') =>
    `Torque in ${unit} over degrees, ${from === 'snug' ? 'from 20° before it was snug' : 'from where it was tight already'}; ratchet and twist of the tool taken out.`,
  choose: (stage: string) => `Curve of one bolt, ${stage}`,
  label: (stage: string, lines: string) => `Torque over angle, ${stage}. ${lines}`,
  one: (bolt: string, nm: string, unit: string) => `Bolt ${bolt}: up to ${nm} ${unit}`,
  lookAgain: (bolts: string) => `Look again at bolt ${bolts}.`,
  note: 'A curve says where to look. That nothing stands out proves no clamp force; the maker’s values and order stand above it.',
  simulated: 'Simulated: these curves are made up.',
} as const;
