import type { Translation } from '../language';
import type { verify as english } from '../en/verify';

export const verify: Translation<typeof english> = {
  sheet: 'La hoja difiere de la del inicio del trabajo.',
  record: 'Los campos del archivo no coinciden con sus entradas.',
  file: 'Se cambió algo aparte de las entradas: vehículo, orden, taller, un nombre o el sello.',
  signature: 'La firma {{n}} falla: {{why}}.',
  event: 'La entrada {{n}} es la primera que falla: {{why}}.',
  order:
    'Firmado para OR {{number}}, {{joint}}, vehículo {{vin}}, pero la orden ahora dice otra cosa. Si fue una corrección, agregue una nota.',
  eventWhy: {
    text: 'se cambió su texto',
    link: 'no sigue a la entrada anterior',
    position: 'falta o se repite una entrada anterior',
    seal: 'no lleva el sello del taller; no pasó por el servidor',
    form: 'no es una entrada válida',
    order: 'el procedimiento no lo permitía ahí',
  },
  wordWhy: {
    signature: 'no se firmó con la clave de este taller',
    form: 'no se puede leer',
    link: 'falta o cambió una firma anterior',
    run: 'se firmó para otro trabajo',
    head: 'se firmó para otras entradas',
  },
};
