import type { Translation } from '@stennet/core/language';
import type { editorWalk as english } from '../en/editorWalk';

export const editorWalk: Translation<typeof english> = {
  walkErrors_one: 'Corrija primero {{count}} error. Después puede recorrer el trabajo.',
  walkErrors_other: 'Corrija primero {{count}} errores. Después puede recorrer el trabajo.',
  totals: 'Lo que recibe cada tornillo',
  noValues: 'sin valor',
  inAll: '{{degrees}}° en total',
  walkTitle: 'El trabajo, como se pedirá',
  walkInstance: 'Para',
  walkOn: 'Siguiente',
  walkStage: 'Siguiente etapa',
  walkBack: 'Atrás',
  walkAt: 'Número {{n}} · {{stage}}',
  walkMap: 'Mapa de la unión. {{words}}',
  walkDone: 'Ese es todo el trabajo.',
  walkStopped: 'El trabajo no puede seguir desde aquí',
};
