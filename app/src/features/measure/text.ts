import type { MeasureKindId, Verdict } from '@stennet/core/measure';

export const KIND_TEXT: Record<MeasureKindId, { title: string; say: string }> = {
  flatness: { title: 'Flatness by straight-edge', say: 'Edge on the line, leaves from thin to thick: the thickest that enters, and the next, which does not.' },
  warp: { title: 'Warp of a manifold', say: 'Edge over all flanges; the gap above and below each port.' },
  strip: { title: 'Clearance by gauge strip', say: 'After the trial tightening, opened again: the width of the flattened strip at both its ends, against the bag.' },
  bearing: { title: 'Bearing by diameters', say: 'Bore and journal, each in two planes and two directions.' },
  boltLength: { title: 'Length of bolts', say: 'From under the head to the tip, each one.' },
  protrusion: { title: 'Protrusion or depth', say: 'Both sides of each; below the face is negative.' },
  gap: { title: 'Gap by feeler', say: 'The leaf that enters, and the next, which does not.' },
  runOut: { title: 'Run-out by dial', say: 'One slow turn, the dial read at each mark.' },
  wear: { title: 'Wear, one against the others', say: 'The same place on each; six or more show which one is unlike the others.' },
};

const VERDICT_TEXT: Record<Verdict, string> = {
  pass: 'within its limits',
  marginal: 'too close to tell: measure again, or with a better instrument',
  fail: 'out of its limits',
};

/** What is compared among themselves has no limit to be too close to. */
export const verdictText = (what: MeasureKindId, verdict: Verdict): string => (what !== 'wear' ? VERDICT_TEXT[verdict] : verdict === 'pass' ? 'all alike' : 'not all alike');

export const text = {
  title: 'Measure',
  sub: (number: string, vehicle: string) => `RO ${number} · ${vehicle}`,
  back: 'Back to the repair order',
  loading: 'Opening the repair order',
  failed: 'The repair order could not be opened',
  retry: 'Try again',
  what: 'What is measured',
  choose: 'Measure something',
  none: 'Nothing is measured on this order yet.',
  of: 'What it is, and where',
  instrument: 'Instrument',
  unit: 'Typed in',
  units: { mm: 'mm', '[in_i]': 'inches' },
  uncertainty: 'It is sure to, plus or minus',
  limits: 'Limits, from the maker',
  strip: 'Marks on the strip’s bag: width and clearance',
  stripWidth: (n: number) => `Width, mark ${n}`,
  stripClearance: (n: number) => `Clearance, mark ${n}`,
  readings: 'Readings',
  row: (row: string, n: number, of: number) => `${row}, ${n} of ${of}`,
  next: 'Next place',
  addRow: 'One more place',
  rowName: 'Name of the place',
  rowAt: (row: string) => `Go to ${row}`,
  drawing: (title: string, done: number, of: number) => `${title}: ${done} of ${of} places measured`,
  result: 'Result',
  missing: 'Not enough yet: limits and at least so many places as the kind needs.',
  implausible: (row: string) => `Look at ${row} again: a slip of the point or the unit?`,
  right: 'They are right as they stand',
  then: 'What is done about it',
  thens: { goOn: 'go on', clean: 'clean, measure again', replace: 'replace it', machine: 'have it machined', look: 'look further', stop: 'stop here' },
  mend: 'Price of putting it right',
  replace: 'Price of a new one',
  priceWrong: 'A price like 64.00 or 64,00.',
  cheaper: (mend: string, replace: string, mends: boolean) => `Putting it right ${mend}, a new one ${replace}: ${mends ? 'putting it right' : 'a new one'} is cheaper.`,
  note: 'Note',
  save: 'Keep this measurement',
  letGo: 'Let go of what I typed',
  cannotKeep: 'This device could not keep it. Free some storage, then try again.',
  kept: 'What you measured here before is still there.',
  by: (by: string, at: string) => `${by}, ${at}`,
  notSent: 'on this device, not sent yet',
} as const;
