export const usedOnce = {
  stretched: 'These bolts stretch for good when tightened (about {{mm}} mm). A used one can break.',
  why: 'Turned {{turned}}; {{yields}}. That uses {{reserve}} of the stretch before breaking. Clamp load spread: about ±{{byAngle}} with the angle, ±{{byTorque}} with torque alone.',
  yieldsAfter: 'yield starts after about {{deg}}, depending on friction',
  yieldsBefore: 'yield starts before the angle does',
  elastic: 'Not stretched past yield.',
  elasticWhy: 'Turned {{turned}}; yield takes about {{deg}}.',
  or: '{{a}} or {{b}}',
  range: '{{from}} to {{to}}',
} as const;
