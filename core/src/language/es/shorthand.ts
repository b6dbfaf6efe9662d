import type { Translation } from '../language';
import type { shorthand as english } from '../en/shorthand';

export const shorthand: Translation<typeof english> = {
  colon: 'Ponga dos puntos después de los tornillos y luego las etapas.',
  noStage: 'No hay ninguna etapa.',
  count: 'Empiece con la cantidad y la rosca, p. ej. «10 × M10×1.5 10.9».',
  thread: 'Falta la rosca, p. ej. M10×1.5.',
  class: 'Falta la clase, p. ej. 8.8, 10.9 o SAE 8.',
  unknown: 'Aquí no se entiende «{{word}}».',
  back: 'Diga cuánto atrás: grados, fully o eased.',
  missing: 'Escriba aquí {{kind}}.',
  unit: 'Escriba la unidad después de {{value}}.',
  wrongUnit: '{{unit}} no es unidad de {{kind}}.',
  bracket: 'Cierre el paréntesis.',
  repeat:
    'Escriba cuántas veces y las etapas entre paréntesis, p. ej. repeat 3 (45 N·m; back fully).',
  eachTwo: 'Después de «each» escriba dos cosas o más, p. ej. each (24 N·m, +75°).',
  eachPart: 'En cada tornillo: by hand, run down, un torque, un ángulo o back.',
  kinds: {
    angle: 'un ángulo',
    length: 'un largo',
    torque: 'un torque',
  },
};
