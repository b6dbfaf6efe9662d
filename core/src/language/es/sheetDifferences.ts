import type { Translation } from '../language';
import type { sheetDifferences as english } from '../en/sheetDifferences';

export const sheetDifferences: Translation<typeof english> = {
  higher: '{{percent}} % más alto',
  lower: '{{percent}} % más bajo',
  timesHigher: '{{times}} veces más alto',
  consider: ', conviene cambiar',
  onlyIn: '{{part}}: solo en «{{title}}» (rev {{revision}}).',
  effect: {
    yields: '; pasa la fluencia con fricción normal',
    slack: '; la unión queda floja',
  },
  lastTorque:
    '{{group}}: el torque final en «{{title}}» (rev {{revision}}) es {{ratio}}{{effect}}.',
  onlyAngle:
    '{{group}}: solo «{{title}}» (rev {{revision}}) termina con ángulo. Los torques no se comparan.',
  noGrip: '{{group}}: ambas terminan con ángulo. Sin largo de sujeción no se compara la fuerza.',
  clampMore:
    '{{group}}: tras el ángulo, «{{title}}» (rev {{revision}}) da un {{percent}} % más de fuerza.',
  clampLess:
    '{{group}}: tras el ángulo, «{{title}}» (rev {{revision}}) da un {{percent}} % menos de fuerza.',
  stageMissing: 'Allá: sin «{{stage}}».',
  stageValue: '«{{stage}}» es {{value}} allá{{ratio}}.',
  stageRepeat: '«{{stage}}». Allá: {{there}}. Aquí: {{here}}.',
  stageOnly: 'Solo allá: «{{stage}}».',
  repeat: {
    untilSettled: 'hasta que nada se mueva',
    passes: '{{n}} pasadas',
    untilSeated: 'hasta asentar',
    once: 'una vez',
  },
  count: 'Allá: {{there}} tornillos. Aquí: {{here}}.',
  order: 'El orden de apriete es distinto.',
  groupMissing: 'Allá: sin {{group}}.',
  groupDiffers: '{{group}}. Allá: {{there}}. Aquí: {{here}}.',
  nothing: 'nada',
  headDiffers: '{{group}}. Allá: cabeza {{there}}. Aquí: cabeza {{here}}.',
  takeApart: 'El desmontaje es distinto.',
  stepChanged: 'Distinto allá: {{step}}',
  stepMissing: 'No está allá: {{step}}',
  stepOnly: 'Solo allá: {{step}}',
  from: 'fabricado desde {{day}}',
  until: 'fabricado hasta {{day}}',
  kitBy: 'kit de {{maker}}',
  anotherMaker: 'otro fabricante',
  any: 'cualquier tornillería',
  applies: 'Allá: {{there}}. Aquí: {{here}}.',
};
