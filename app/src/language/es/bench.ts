import type { Translation } from '@stennet/core/language';
import type { bench as english } from '../en/bench';

export const bench: Translation<typeof english> = {
  title: 'Banco',
  subtitle: 'Aquí no se registra nada',
  convert: 'Convertir un par',
  torque: 'Par',
  torqueHint: 'p. ej. 62 o 45 lbf·ft',
  torqueWrong: 'Escriba un par, como 62 o 45 lbf·ft.',
  convertEmpty: 'Escriba un par para verlo en cada unidad.',
  crowfoot: 'Ajuste con pata de cuervo',
  length: 'Torquímetro L, mm',
  offset: 'Pata E, mm',
  lever: 'L: del cuadro al centro de la empuñadura. E: del cuadro al perno.',
  lengthWrong: 'Escriba un largo, como 400 o 16 in.',
  angle: 'Ángulo de la pata de cuervo',
  angles: {
    0: 'recta',
    45: '45°',
    90: '90°',
    135: 'hacia atrás',
  },
  crowfootDrawing: 'Torquímetro y pata de cuervo desde arriba',
  setting: 'Ajuste el torquímetro a',
  ignored: 'Sin esta corrección el perno queda {{percent}}% fuera.',
  crowfootEmpty: 'Escriba el par y los dos largos.',
};
