import type { Translation } from '@stennet/core/language';
import type { editorFields as english } from '../en/editorFields';

export const editorFields: Translation<typeof english> = {
  afterStages: 'Después: {{what}}',
  doAgain: 'Hacer varias veces',
  againFrom: 'Desde la etapa',
  againTimes: 'Veces en total',
  writeOut: 'Escribir todas las etapas',
  recommended: 'Recomendado',
  sameAs: 'Valor',
  chosenHere: 'elegido en esta etapa',
  helper: 'Qué hace la segunda persona',
  covers: 'Ya no se alcanza después: tornillos o grupos',
  scope: 'Cuántas veces',
  onlyFor: 'Solo para, con comas',
  alsoOn: 'También en',
  otherSource: 'O una fuente que no está en la biblioteca',
  warmTo: 'Antes calentar a °C',
  pairsField: 'Van juntas, como 1-4, 2-3',
  crankFor: 'Cigüeñal, {{label}}, °',
  seenFrom: 'Visto desde',
  studAndNut: 'Agregar un espárrago en cada uno, de «{{studs}}»',
};
