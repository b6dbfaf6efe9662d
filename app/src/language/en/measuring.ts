export const measuring = {
  kinds: {
    flatness: {
      title: 'Flatness with straightedge',
      say: 'Straightedge on the line. Enter the thickest feeler blade that fits and the next one that doesn’t.',
    },
    warp: {
      title: 'Manifold warp',
      say: 'Straightedge across all flanges. Measure the gap above and below each port.',
    },
    strip: {
      title: 'Clearance with gauge strip',
      say: 'After the trial torque, take the cap off. Compare the strip’s width at both ends with its chart.',
    },
    bearing: {
      title: 'Bearing clearance by diameter',
      say: 'Measure bore and journal, each in two planes and two directions.',
    },
    boltLength: {
      title: 'Bolt length',
      say: 'Measure each bolt from under the head to the tip.',
    },
    protrusion: {
      title: 'Protrusion or depth',
      say: 'Measure both sides of each. Below the face is negative.',
    },
    gap: {
      title: 'Gap with feeler gauge',
      say: 'Enter the thickest blade that fits and the next one that doesn’t.',
    },
    stopDepth: {
      title: 'Drill or tap depth stop',
      say: 'Measure from the tip to the stop before drilling. Drill no deeper.',
    },
    runOut: {
      title: 'Runout with dial indicator',
      say: 'Turn it once, slowly. Read the dial at each mark.',
    },
    wear: {
      title: 'Wear, compared side by side',
      say: 'Measure the same spot on each. Six or more show the odd one.',
    },
  },
  verdicts: {
    pass: 'within spec',
    marginal: 'too close to call: measure again or use a better gauge',
    fail: 'out of spec',
  },
  alike: 'all alike',
  unlike: 'not all alike',
  unit: 'Units entered',
  units: {
    mm: 'mm',
    '[in_i]': 'inches',
  },
  uncertainty: 'Accuracy ±',
  instrument: 'Gauge used',
  strip: 'Chart on the strip’s bag: width and clearance',
  stripWidth: 'Width, line {{n}}',
  stripClearance: 'Clearance, line {{n}}',
  noLimit: 'No limit entered yet.',
  readings: 'Readings',
  row: '{{row}}, {{n}} of {{of}}',
  next: 'Next place',
  soFar_one: 'In spec so far, {{count}} place left',
  soFar_other: 'In spec so far, {{count}} places left',
  stillOpen_one: '{{count}} place left',
  stillOpen_other: '{{count}} places left',
  addRow: 'Add a place',
  removeRow: 'Not measured: remove this place',
  drawing: '{{title}}: {{done}} of {{of}} places measured',
  missing: 'Enter the limits and enough readings.',
  implausible: 'Check {{row}}. Wrong decimal point or unit?',
  right: 'Readings are correct',
  result: 'Result',
} as const;
