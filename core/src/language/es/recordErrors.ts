import type { Translation } from '../language';
import type { recordErrors as english } from '../en/recordErrors';

export const recordErrors: Translation<typeof english> = {
  // lead approval
  PIN_WRONG: {
    message: 'Ese no es el PIN de {{name}}.',
    fix: 'Reintente. Tras cinco errores se bloquea 15 minutos.',
  },
  PIN_NONE: {
    message: '{{name}} aún no tiene PIN.',
    fix: 'Se fija en la página de cuenta.',
  },
  PIN_LIMITED: {
    message:
      'Demasiados errores en este dispositivo. El PIN de {{name}} está bloqueado {{minutes}} minutos.',
    fix: 'Espere o apruebe en el dispositivo del jefe.',
  },
  PIN_FORM: {
    message: 'Un PIN tiene de 4 a 8 dígitos, no iguales ni seguidos.',
    fix: 'Elija otro.',
  },
  STATEMENT_UNKNOWN: {
    message: 'Esta aprobación no está en el servidor.',
    fix: 'Pida al jefe que apruebe otra vez.',
  },
  // the record
  RUN_SIGNED: {
    message: 'Este registro está firmado y no se puede cambiar.',
    fix: 'Agregue una nota. También se firma.',
  },
  RECORD_NOT_FINISHED: {
    message: 'El trabajo no está terminado; no hay nada que firmar.',
    fix: 'Termínelo primero.',
  },
  RECORD_PENDING: {
    message_one: '{{count}} asunto espera al jefe.',
    message_other: '{{count}} asuntos esperan al jefe.',
    fix: 'Obtenga la aprobación y luego firme.',
  },
  RECORD_UNSENT: {
    message: 'El servidor no tiene las mismas entradas que este dispositivo.',
    fix: 'Espere a que se envíe todo, recargue el registro y firme.',
  },
  RECORD_ALREADY_SIGNED: {
    message: '{{name}} ya firmó esto.',
    fix: 'Agregue una nota.',
  },
  RECORD_FIRST: {
    message: 'El técnico que hizo el trabajo aún no firma.',
    fix: 'La segunda firma va después.',
  },
  SECOND_IS_ANOTHER: {
    message: 'La segunda firma debe ser de otra persona.',
    fix: 'Que firme alguien que no firmó primero.',
  },
  NOT_YOUR_WORK: {
    message: 'Usted no hizo ninguna entrada en este trabajo.',
    fix: 'Primero firma el técnico que hizo el trabajo. Usted puede firmar segundo.',
  },
  RECORD_BROKEN: {
    message: '{{fault}}',
    fix: 'No lo firme. Avise a quien administra el servidor y guarde lo impreso.',
  },
  WORD_EMPTY: {
    message: 'Escriba un texto.',
    fix: 'Diga qué se agrega.',
  },
  FOREIGN_UNREADABLE: {
    message: 'No se puede leer el archivo: {{why}}.',
    fix: 'Expórtelo otra vez en el otro taller y elija ese archivo. No se importó nada.',
  },
  FOREIGN_BROKEN: {
    message: 'El registro de OR {{number}}, {{joint}} no pasa la verificación: {{fault}}',
    fix: 'Pídalo otra vez a ese taller. No se importó nada.',
  },
  FOREIGN_POSES: {
    message:
      'El registro de OR {{number}}, {{joint}} dice ser de este taller pero tiene otra clave.',
    fix: 'No se importó nada. Pregunte quién le dio el archivo.',
  },
  FOREIGN_OTHER: {
    message: 'Ya tiene otro registro distinto de OR {{number}}, {{joint}}.',
    fix: 'No se importó nada. Compare ambas claves con los registros impresos.',
  },
  FOLLOW_UP_CHANGED: {
    message: '{{by}} ya contestó esto.',
    fix: 'Revíselo otra vez. Lo que escribió sigue aquí.',
  },
  REASON_NEEDED: {
    message: 'Escriba por qué se rechazó.',
    fix: 'Anote lo que dijo el dueño.',
  },
};
