import type { Translation } from '../language';
import type { sheetErrors as english } from '../en/sheetErrors';

export const sheetErrors: Translation<typeof english> = {
  SHEET_NOT_RUNNABLE: {
    message: 'La hoja tiene un error en {{where}}: {{what}}.',
    fix: 'Pida al jefe que corrija la hoja y luego empiece.',
  },
  SHEET_VERSION: {
    message: 'Esta hoja usa el formato {{v}}, que esta versión no lee.',
    fix: 'Recargue la app. Si se repite, exporte la hoja otra vez.',
  },
  SHEET_INVALID: {
    message: 'La hoja no es válida en {{where}}.',
    fix: 'Pida al jefe que la corrija.',
  },
  SHEET_ID_TAKEN: {
    message: 'Ya hay una hoja con este código en la biblioteca.',
    fix: 'Ábrala y escriba su siguiente revisión.',
  },
  SHEET_NOT_STANDING: {
    message: 'Esta revisión no es la vigente.',
    fix: 'Elija la revisión aprobada.',
  },
  DRAFT_CHANGED: {
    message: '{{by}} cambió este borrador mientras tanto ({{at}}).',
    fix: 'El suyo está en este dispositivo. Mire ambos y conserve uno.',
  },
  DRAFT_GONE: {
    message: 'Este borrador se aprobó o se borró.',
    fix: 'El suyo está en este dispositivo. Revise la hoja y guárdelo como nuevo o descártelo.',
  },
  DRAFT_NOT_READY: {
    message: '«{{title}}» no está lista: {{what}}.',
    fix: 'Corríjalo en el borrador y apruebe.',
  },
  DRAFT_WARNINGS: {
    message_one: '«{{title}}» tiene {{count}} aviso sin responder.',
    message_other: '«{{title}}» tiene {{count}} avisos sin responder.',
    fix: 'Lea cada aviso y confirme que así se quiere.',
  },
  OWN_DRAFT: {
    message: 'Usted hizo el último cambio en «{{title}}»; debe aprobarla otra persona.',
    fix: 'Pida al otro jefe que la compare con la fuente y la apruebe.',
  },
  IMPORT_UNREADABLE: {
    message: 'No se puede leer el archivo: {{why}}.',
    fix: 'Expórtelo otra vez y elija ese archivo. No se importó nada.',
  },
  IMPORT_REFUSED: {
    message_one: '{{count}} hoja no se puede importar.',
    message_other: '{{count}} hojas no se pueden importar.',
    fix: 'Corríjalas en el archivo u omítalas. No se importó nada.',
  },
  CELL_UNREADABLE: {
    message: 'No se puede leer «{{cell}}» en la columna «{{column}}»: {{why}}.',
    fix: 'Corrija esa celda y elija el archivo otra vez.',
  },
  JOINT_BEGUN: {
    message: 'Esta unión ya se inició o se apretó con su hoja actual.',
    fix: 'Elija una unión sin iniciar.',
  },
  UNIT_KIND: {
    message: 'No se puede convertir {{from}} a {{to}}.',
    fix: 'Use dos unidades del mismo tipo.',
  },
  THREAD_UNKNOWN: {
    message: 'Rosca desconocida: «{{thread}}».',
    fix: 'Escríbala como M10, M10×1.25 o 3/8-16.',
  },
  CLASS_UNKNOWN: {
    message: 'Clase de resistencia desconocida: «{{name}}».',
    fix: 'Elija una de la lista.',
  },
  UNIT_UNREADABLE: {
    message: 'Unidad desconocida: «{{text}}».',
    fix: 'Escriba solo el número, en {{expected}}.',
  },
  PLANE_UNDETERMINED: {
    message: 'Mida la cara en cuatro lugares o más que no estén en línea.',
    fix: 'Mida más lugares en toda la cara.',
  },
  STRIP_TABLE: {
    message: 'La tabla de la tira está mal: más ancho debe significar menos juego.',
    fix: 'Léala otra vez en la bolsa.',
  },
  NUMBER_UNREADABLE: {
    message: '«{{text}}» no es un número.',
    fix: 'Escriba dígitos, con punto para decimales.',
  },
};
