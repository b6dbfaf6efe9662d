import type { MeasureKindId, Verdict } from '@stennet/core/measure';

export const KIND_TEXT: Record<MeasureKindId, { title: string; say: string }> = {
  flatness: {
    title: 'Flatness by straight-edge',
    say: 'Edge on the line, leaves from thin to thick: the thickest that enters, and the next, which does not.',
  },
  warp: {
    title: 'Warp of a manifold',
    say: 'Edge over all flanges; the gap above and below each port.',
  },
  strip: {
    title: 'Clearance by gauge strip',
    say: 'After the trial tightening, opened again: the width of the flattened strip at both its ends, against the bag.',
  },
  bearing: {
    title: 'Bearing by diameters',
    say: 'Bore and journal, each in two planes and two directions.',
  },
  boltLength: { title: 'Length of bolts', say: 'From under the head to the tip, each one.' },
  protrusion: {
    title: 'Protrusion or depth',
    say: 'Both sides of each; below the face is negative.',
  },
  gap: { title: 'Gap by feeler', say: 'The leaf that enters, and the next, which does not.' },
  runOut: { title: 'Run-out by dial', say: 'One slow turn, the dial read at each mark.' },
  wear: {
    title: 'Wear, one against the others',
    say: 'The same place on each; six or more show which one is unlike the others.',
  },
};

const VERDICT_TEXT: Record<Verdict, string> = {
  pass: 'within its limits',
  marginal: 'too close to tell: measure again, or with a better instrument',
  fail: 'out of its limits',
};

/** What is compared among themselves has no limit to be too close to. */
export const verdictText = (what: MeasureKindId, verdict: Verdict): string =>
  what !== 'wear' ? VERDICT_TEXT[verdict] : verdict === 'pass' ? 'all alike' : 'not all alike';

export const text = {
  unit: 'Typed in',
  units: { mm: 'mm', '[in_i]': 'inches' },
  uncertainty: 'It is sure to, plus or minus',
  instrument: 'Instrument',
  strip: 'Marks on the strip’s bag: width and clearance',
  stripWidth: (n: number) => `Width, mark ${n}`,
  stripClearance: (n: number) => `Clearance, mark ${n}`,
  readings: 'Readings',
  row: (row: string, n: number, of: number) => `${row}, ${n} of ${of}`,
  next: 'Next place',
  soFar: (n: number) =>
    `So far within limits, ${n} ${n === 1 ? 'place' : 'places'} not measured yet`,
  stillOpen: (n: number) => `${n} ${n === 1 ? 'place' : 'places'} not measured yet`,
  addRow: 'One more place',
  removeRow: 'Not measured here: remove this place',
  drawing: (title: string, done: number, of: number) =>
    `${title}: ${done} of ${of} places measured`,
  missing: 'Not enough yet: limits and at least so many places as the kind needs.',
  implausible: (row: string) => `Look at ${row} again: a slip of the point or the unit?`,
  right: 'They are right as they stand',
  result: 'Result',
} as const;
