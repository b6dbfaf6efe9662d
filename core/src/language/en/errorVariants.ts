export const errorVariants = {
  // where a value is missing, or says more
  notNext: 'That isn’t next.',
  oneTimeUse: '{{group}}: one-time use. Tightening stretched them for good.',
  tooMuch: {
    twice: '{{reading}} is at least twice the target.',
    pastYield: '{{reading}} is past this bolt’s yield torque.',
    pastWrench: '{{reading}} is past this wrench’s range.',
  },
  // methods as they are called in a sentence
  methods: {
    click: 'a click-type torque wrench',
    dial: 'a dial torque wrench',
    digital: 'a digital torque wrench',
    angleGauge: 'an angle gauge',
    printedDisc: 'a printed disc',
    byEye: 'your eye',
    byFeel: 'feel',
    stripe: 'the paint mark',
    byHand: 'your hand',
    powerTool: 'a power tool',
    stretchGauge: 'a stretch gauge',
    confirmedTogether: 'several at once',
    noTurn: 'a wrench that doesn’t measure angle',
    clickNumber: 'a click-type wrench with a reading',
  },
} as const;
