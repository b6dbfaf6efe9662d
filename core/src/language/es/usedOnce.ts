import type { Translation } from '../language';
import type { usedOnce as english } from '../en/usedOnce';

export const usedOnce: Translation<typeof english> = {
  stretched:
    'Estos pernos se estiran para siempre al apretar (unos {{mm}} mm). Uno usado puede romperse.',
  why: 'Se giran {{turned}}; {{yields}}. Eso gasta {{reserve}} del estiramiento hasta romper. Dispersión de la fuerza: ±{{byAngle}} con ángulo, ±{{byTorque}} solo con torque.',
  yieldsAfter: 'la fluencia empieza tras unos {{deg}}, según la fricción',
  yieldsBefore: 'la fluencia empieza antes del ángulo',
  elastic: 'No se estiran más allá de la fluencia.',
  elasticWhy: 'Se giran {{turned}}; la fluencia empieza a unos {{deg}}.',
  or: '{{a}} o {{b}}',
  range: '{{from}} a {{to}}',
};
