export const shorthand = {
  colon: 'Put a colon after the fasteners, then the stages.',
  noStage: 'No stage found.',
  count: 'Start with the number and thread, e.g. “10 × M10×1.5 10.9”.',
  thread: 'Thread missing, e.g. M10×1.5.',
  class: 'Property class missing, e.g. 8.8, 10.9 or SAE 8.',
  unknown: '“{{word}}” isn’t understood here.',
  back: 'Say how far back: degrees, fully, or eased.',
  missing: 'Enter {{kind}} here.',
  unit: 'Write the unit after {{value}}.',
  wrongUnit: '{{unit}} isn’t a unit for {{kind}}.',
  kinds: {
    angle: 'an angle',
    length: 'a length',
    torque: 'a torque',
  },
} as const;
