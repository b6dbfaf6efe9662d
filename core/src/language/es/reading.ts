import type { Translation } from '../language';
import type { reading as english } from '../en/reading';

export const reading: Translation<typeof english> = {
  // what is wrong with something typed or imported
  cell: {
    flag: 'escriba yes o no',
    number: 'escriba un número',
    json: 'no es JSON válido',
  },
  file: {
    cut: 'el archivo está cortado',
    between: 'algo entre las hojas no es una hoja',
    deep: 'más de {{n}} niveles',
    brackets: 'los corchetes no coinciden',
  },
  rows: {
    part: 'parte «{{name}}»',
    differ: '{{name}} «{{key}}»: las filas no coinciden',
  },
  draft: {
    atLeastOne: 'Agregue al menos uno.',
    empty: 'Complete esto.',
    this: 'Esto',
    more: '{{got}} debe ser más de {{than}}.',
    least: '{{got}} debe ser al menos {{least}}.',
    most: '{{got}} debe ser como máximo {{most}}.',
    date: '{{got}} no es una fecha. Escríbala como 2026-03-18.',
    malformed: '{{got}} no es válido aquí.',
  },
};
