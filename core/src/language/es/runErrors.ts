import type { Translation } from '../language';
import type { runErrors as english } from '../en/runErrors';

export const runErrors: Translation<typeof english> = {
  RUN_UNKNOWN: {
    message: 'Este trabajo no es de su taller.',
    fix: 'Ábralo desde su orden de reparación.',
  },
  RUN_NOT_STARTED: {
    message: 'Este trabajo no se ha iniciado.',
    fix: 'Inícielo desde su orden de reparación.',
  },
  RUN_ALREADY_STARTED: {
    message: 'Este trabajo ya se inició.',
    fix: 'Continúe con él.',
  },
  RUN_FINISHED: {
    message: 'Este trabajo está terminado.',
    fix: 'Sus valores están en la orden.',
  },
  RUN_PAUSED: {
    message: 'Este trabajo está en pausa.',
    fix: 'Reanúdelo primero.',
  },
  JOINT_HAS_OPEN_RUN: {
    message: 'Ya se trabaja en esta unión.',
    fix: 'Abra la orden y continúe ahí.',
  },
  JOINT_ALREADY_TIGHT: {
    message: 'Esta unión ya está hecha.',
    fix: 'Vea su registro en la orden.',
  },
  START_BLOCKED: {
    message: 'No se puede empezar: {{reasons}}',
    fix: 'Resuélvalo en la orden y luego empiece.',
  },
  LEFT_OUT_BEFORE: {
    message: 'Sin poner desde el desmontaje: {{fasteners}}.',
    fix: 'Indique si cada uno sigue fuera o está reparado y luego empiece.',
  },
  VALUES_UNLIKE: {
    message: 'El valor elegido al apretar esta unión no coincide.',
    fix: 'Recargue y empiece otra vez. Se usa de nuevo el mismo valor.',
  },
  OWN_WORK: {
    message: 'Usted trabajó en esta orden y nadie más la firmó.',
    fix: 'Pida a otra persona que revise y firme.',
  },
  TAKE_APART_OPEN: {
    message: 'El desmontaje de esta unión no está terminado.',
    fix: 'Termine primero el desmontaje. Registra qué salió y dónde se guarda.',
  },
  SHEET_MISMATCH: {
    message: 'La hoja de este dispositivo difiere de la del servidor.',
    fix: 'Recargue la orden y luego empiece.',
  },
  EVENT_GAP: {
    message: 'Falta la entrada {{expected}} antes de esta.',
    fix: 'El dispositivo la vuelve a enviar solo.',
  },
  EVENT_ID_REUSED: {
    message: 'Otra entrada usa este código.',
    fix: 'Recargue. Lo guardado no cambió.',
  },
  ALREADY_CONFIRMED: {
    message: 'Aquí se confirmó algo antes, quizá en otra pestaña.',
    fix: 'Lo que acaba de decir no cuenta. Revise la última entrada y continúe.',
  },
  HOLD_ENDED: {
    message: 'Otro dispositivo tomó este trabajo.',
    fix: 'Continúe ahí. Sus entradas quedan en este dispositivo.',
  },
  HOLD_WRONG: {
    message: 'Este trabajo cambió de dispositivo (turno {{expected}}).',
    fix: 'Recargue el trabajo.',
  },
  PRACTICE_ONLY: {
    message: 'Esto es práctica. No puede ir en una orden de reparación.',
    fix: 'Empiece el trabajo real desde su orden.',
  },
  PRACTICE_FIRST: {
    message: 'Aquí primero se practica: {{exercises}}.',
    fix: 'Apruébelo en Práctica y luego empiece.',
  },
  PRACTICE_BROKEN: {
    message: 'Esta práctica no se puede repetir desde sus datos.',
    fix: 'Queda en este dispositivo. Practique otra vez.',
  },
  KEPT_AS_CLAIM: {
    message: 'Otro dispositivo tomó el trabajo antes de que llegaran estas entradas.',
    fix: 'Están en el servidor. Al técnico del trabajo se le pregunta por cada apriete.',
  },
};
