import type { Translation } from '@stennet/core/language';
import type { reasons as english } from '../en/reasons';

export const reasons: Translation<typeof english> = {
  archive: {
    tooMuch: 'contiene más de lo que cabe en una orden',
    stray: '«{{name}}» no corresponde',
    damaged: 'no es un archivo comprimido o está dañado',
    empty: 'no contiene ningún registro',
  },
  record: {
    slow: 'tarda demasiado en leerse',
    unpacks: 'descomprimido es mayor que un registro',
    unreadable: 'no se puede leer',
    tooLarge: 'es mayor que un registro',
    tooDeep: 'tiene demasiados niveles',
    noJson: 'no es JSON válido',
    tooMany: 'tiene más entradas de las posibles',
    notA: 'no es un {{what}} válido ({{where}})',
    all: 'todo',
    fingerprint: 'La huella del archivo no coincide con su clave.',
    empty: 'está vacío',
  },
  sheets: {
    utf8: 'no es texto UTF-8',
    place: 'hoja {{n}}',
    none: 'no contiene ninguna hoja',
    noJson: 'No es JSON válido.',
    row: 'fila {{n}}',
    unknown:
      'Aquí no hay hoja «{{id}}», revisión {{revision}}. Una tabla solo cambia hojas existentes. Importe las nuevas como JSON.',
    headings: 'su primera línea no son los títulos de una tabla de etapas o tornillos',
    cells: 'la fila {{n}} tiene más celdas que títulos',
    neither: 'no es archivo de hojas ni tabla',
  },
  import: {
    draftOpen: 'Alguien ya tiene un borrador de esta hoja. Apruébelo o bórrelo primero.',
    otherContent:
      'La revisión {{revision}} ya existe con otro contenido. Las revisiones aprobadas no cambian.',
    twice: '«{{id}}» está más de una vez como hoja aprobada. Deje una.',
  },
  order: {
    isNow: 'ahora está: {{state}}',
  },
  calendar: {
    name: '{{shop}}: seguimientos',
    event: '{{plate}}, OR {{number}}: {{what}}',
  },
  someone: 'Alguien',
};
