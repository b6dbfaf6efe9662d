/** Practice: what each exercise is called and about, and what it is judged by. */
export const practice = {
  exercises: {
    firstWrench: {
      title: 'First torque wrench',
      about: 'Pull to the click and stop there.',
    },
    gauge: {
      title: 'Read the angle gauge',
      about: 'A torque, then 90° by the gauge.',
    },
    shortSwings: {
      title: 'No room to swing',
      about: 'The same angle in strokes of 40°.',
    },
    settle: {
      title: 'Until nothing turns',
      about:
        'Bolts take load from each other. Go round until they hold still, and say what you saw.',
    },
    letItSet: {
      title: 'Let the gasket set',
      about: 'A soft gasket gives way. Wait, then go round again.',
    },
    feelYield: {
      title: 'Feel the yield',
      about: 'Stretch bolts: past yield the pull goes soft, and the angle still counts.',
    },
    bottomed: {
      title: 'Which bolt bottomed out?',
      about: 'One of them clicks without clamping anything.',
    },
    slipped: {
      title: 'The gauge slipped',
      about: 'Once the gauge shows something that the bolt didn’t do.',
    },
    wrongLubricant: {
      title: 'Wrong lubricant',
      about: 'One bolt wasn’t oiled like the others.',
    },
    threadGives: {
      title: 'The thread gives way',
      about: 'One of them lets go before its angle is done.',
    },
    usedBolt: {
      title: 'A bolt that was used before',
      about: 'One of them has been stretched once already.',
    },
    colleague: {
      title: 'Finish what a colleague began',
      about: 'Half the bolts have the first angle. The phone may not know all of it.',
    },
  },
  criteria: {
    finished: 'Finished to the last bolt',
    found: 'Found the bolt with the fault',
    onlyThat: 'Blamed no sound bolt',
    reached: 'Every pull reached its torque',
    notOver: 'No pull went past its torque',
    angles: 'Every bolt got its angle, once',
    saidTrue: 'Said truly which bolts turned',
    clamp: 'Every bolt clamps as it should',
  },
} as const;
