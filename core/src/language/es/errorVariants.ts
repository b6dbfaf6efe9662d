import type { Translation } from '../language';
import type { errorVariants as english } from '../en/errorVariants';

export const errorVariants: Translation<typeof english> = {
  // where a value is missing, or says more
  notNext: 'Eso no sigue.',
  oneTimeUse: '{{group}}: de un solo uso. El apriete los estiró para siempre.',
  tooMuch: {
    twice: '{{reading}} es al menos el doble del objetivo.',
    pastYield: '{{reading}} pasa el torque de fluencia de este perno.',
    pastWrench: '{{reading}} pasa el rango de este torquímetro.',
  },
  // methods as they are called in a sentence
  methods: {
    click: 'un torquímetro de clic',
    dial: 'un torquímetro de carátula',
    digital: 'un torquímetro digital',
    angleGauge: 'un medidor de ángulo',
    printedDisc: 'un disco impreso',
    byEye: 'el ojo',
    byFeel: 'el tacto',
    stripe: 'la marca de pintura',
    byHand: 'la mano',
    powerTool: 'herramienta eléctrica',
    stretchGauge: 'un medidor de estiramiento',
    confirmedTogether: 'varios a la vez',
    noTurn: 'un torquímetro que no mide ángulo',
    clickNumber: 'un torquímetro de clic con lectura',
  },
};
