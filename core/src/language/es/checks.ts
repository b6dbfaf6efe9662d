import type { Translation } from '../language';
import type { checks as english } from '../en/checks';

export const checks: Translation<typeof english> = {
  duplicateName: '«{{name}}» se usa dos veces. Dé un nombre propio a cada uno.',
  unknownName: 'Esta hoja no tiene {{what}} «{{name}}».',
  what: {
    position: 'lugar',
    group: 'grupo de tornillos',
    fastener: 'tornillo',
    any: 'tornillo, grupo o etiqueta',
    stage: 'etapa',
    step: 'paso',
    instance: 'unidad',
    stepOrStage: 'paso o etapa',
  },
  holdBack: '«{{name}}» no está antes de este punto de control. Solo puede llevar hacia atrás.',
  neverReached: 'El tornillo {{id}} nunca se aprieta: ninguna etapa lo nombra.',
  nothingNamed: '«{{stage}}» no nombra ningún tornillo.',
  pulledTwice: 'El tornillo {{id}} aparece dos veces en una pasada de «{{stage}}».',
  orderIncomplete: 'El orden de «{{stage}}» omite {{ids}}.',
  orderImpossible: 'El orden «{{rule}}» no sirve para {{n}} tornillos así dispuestos.',
  noOrder:
    'La fuente no da orden. Los tornillos van como están numerados. Elija un orden y márquelo como deducido.',
  kinds: {
    torque: 'un torque',
    angle: 'un ángulo',
    length: 'un largo',
    force: 'una fuerza',
  },
  targetMissing: '«{{name}}» no tiene valor.',
  targetUnit: '«{{name}}» necesita {{kind}}, pero su unidad es {{unit}}.',
  rangeEmpty: 'El rango de «{{name}}» está vacío: {{min}} a {{max}}.',
  recommendedOutside: '«{{name}}» recomienda {{value}}, fuera de {{min}} a {{max}}.',
  sameAsNoChoice: '«{{name}}» usa el valor elegido en «{{stage}}», que no deja nada que elegir.',
  conflictOfNothing: 'Diga qué hoja o fuente dice otra cosa.',
  fieldMissing: '«{{name}}» no dice {{what}}.',
  fields: {
    loosen: 'cuánto aflojar',
    waitUntil: 'cuánto tiempo o hasta qué temperatura',
    each: 'qué hacer en cada tornillo',
  },
  repeatSeated: '«{{name}}» se repite hasta asentar. Escriba el máximo de rondas.',
  repeatOnlyDraw: 'Solo bajar una pieza se repite hasta asentar. «{{name}}» no.',
  repeatOnlyTorque:
    'Solo una etapa de torque se repite hasta que nada se mueve. «{{name}}» no puede.',
  repeatNot: '«{{name}}» no se puede repetir. Escriba cada ángulo como etapa propia.',
  torqueBelowEarlier:
    '«{{name}}» es menos de lo que ya tiene el tornillo {{seat}}, y nada se afloja en medio.',
  angleWithoutTorque: '«{{name}}» gira el tornillo {{seat}} un ángulo antes de tener torque.',
  checkAfterAngle:
    '«{{name}}» revisa el tornillo {{seat}} por torque después de un ángulo. Tras un ángulo solo vale la marca o un mínimo publicado.',
  loosenNothing: '«{{name}}» afloja el tornillo {{seat}}, que nunca se apretó.',
  torqueAfterAngle:
    '«{{name}}» da par al tornillo {{seat}} después de girarlo por ángulo. Aflójelo antes, o hágalo una comprobación.',
  neverTight:
    '«{{name}}» pone el tornillo {{seat}}, y nada lo aprieta. Correcto en un espárrago; un tornillo necesita su torque.',
  toleranceTooWide: 'La tolerancia de «{{name}}» baja de cero.',
  angleUnusual: 'Casi ninguna fuente gira un tornillo {{degrees}}° de una vez. Revise las cifras.',
  anglesTooFar:
    'Los ángulos del tornillo {{seat}} suman {{degrees}}°. ¿Está alguno dos veces en la hoja?',
  built: 'Fecha de fabricación',
  answerNotHere: 'Ninguna respuesta lleva a esta hoja.',
  answerAllHere: 'Todas las respuestas llevan a la misma hoja.',
  outBeforeIn: '«{{what}}» se saca antes de ponerse.',
  oilIntoCoolant:
    '{{group}}: aceite en roscas que llegan al refrigerante. El aceite no sella; busque el sellador en la fuente.',
  endsSlack: '«{{name}}» deja flojo el tornillo {{seat}}, y nada lo aprieta después.',
  trialNotOpened: 'Tras la prueba «{{name}}» nada se vuelve a aflojar.',
  oldPartStays: '«{{name}}» usa la pieza vieja, y ninguna etapa pone la nueva.',
  compoundMissing: '{{group}}: los valores son para «{{friction}}», pero no se indica producto.',
  compoundTwice: '{{group}}: dos productos en el mismo lugar ({{place}}). Deje uno.',
  compoundOnTop: '{{group}}: ya viene con producto ({{place}}). No agregue.',
  sealantClock: 'Sellador sin tiempo. Escriba su tiempo abierto o marque que la fuente no lo da.',
  neverOut: '«{{what}}» se pone dentro y nunca se saca.',
  clockBackwards: 'El límite «{{what}}» termina antes de empezar.',
  compoundBeforeTrial: '«{{step}}» aplica {{kind}} antes de terminar la prueba. Aplíquelo después.',
  back: {
    noAnswer: 'nombra una etapa a la que volver, pero ninguna respuesta lleva ahí',
    noStage: 'lleva hacia atrás, pero no nombra etapa',
    notDone: 'lleva a una etapa que aún no está hecha',
  },
  backNowhere: '«{{step}}» {{why}}.',
  measureLimits: '«{{step}}» no tiene límite: {{what}}.',
  unknownThread: '{{what}} no se conoce aquí; no se puede revisar {{value}}.',
  asValue: 'un valor {{what}}',
  anotherUnit: '{{value}} para {{what}} encaja mejor como {{unit}}. Compare con la fuente.',
  torque: {
    error:
      '«{{stage}}»: {{value}} rompe {{what}} ({{percent}} % del torque de fluencia con fricción normal).',
    warn: '«{{stage}}»: {{value}} pasa la fluencia de {{what}} ({{percent}} % del torque de fluencia con fricción normal).',
    noteHigh:
      '«{{stage}}»: {{value}} es alto para {{what}} ({{percent}} % del torque de fluencia con fricción normal).',
    noteLow:
      '«{{stage}}»: {{value}} es bajo para {{what}} ({{percent}} % del torque de fluencia con fricción normal).',
  },
  torqueTooLow:
    '{{value}} es muy poco para {{what}}: {{percent}} % del torque de fluencia. Revise las cifras y la unidad.',
  torqueBeforeAngle:
    '{{value}} casi llega a la fluencia de {{what}}, y falta un ángulo. ¿Es uno de los dos otra cosa en la página?',
  turnedAndReused:
    '{{group}}: se giran {{degrees}}° y están marcados como reutilizables. ¿Dice la fuente que se pueden reutilizar?',
  oneTimeUseHinted:
    '{{group}} se aprietan más allá de la fluencia, pero están como reutilizables. Un perno así queda estirado.',
  reuseLimitMissing:
    '{{group}} se reutilizan si no se alargaron, pero la hoja no da el largo máximo.',
  unitOfThread:
    'Todas las hojas de la biblioteca para {{what}} están en {{theirs}}. ¿Dice {{unit}} en la página?',
  unitOfMaker:
    'Las hojas de {{maker}} en la biblioteca están en {{theirs}}. ¿Dice {{unit}} en la página?',
  unitMixed: 'Otros torques de esta hoja están en otra unidad. ¿Dice {{unit}} en la página?',
  unitFactor:
    'Este valor y «{{title}}» (rev {{revision}}) difieren por el factor entre N·m y lbf·ft. Revise la unidad en la fuente.',
};
