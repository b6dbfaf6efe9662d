import type { Translation } from '@stennet/core/language';
import type { followUps as english } from '../en/followUps';

export const followUps: Translation<typeof english> = {
  title: 'Seguimientos',
  back: 'Volver a Hoy',
  loading: 'Cargando seguimientos',
  failed: 'No se pudieron cargar los seguimientos',
  retry: 'Reintentar',
  none: 'No hay seguimientos pendientes',
  noneText: 'Al terminar una unión, aquí aparecen las revisiones que pide su hoja.',
  groups: {
    overdue: 'Atrasados',
    today: 'Hoy',
    soon: 'Próximas dos semanas',
    later: 'Más adelante',
  },
  list: 'Lista',
  month: 'Mes',
  settled: 'Hechos y rechazados',
  openOrder: 'Abrir OR {{number}}',
  head: '{{plate}} · {{vehicle}} · {{customer}}',
  usual: 'unos {{km}} km al día',
  before: 'Mes anterior',
  after: 'Mes siguiente',
  dayHas_one: '{{day}}: {{count}} seguimiento',
  dayHas_other: '{{day}}: {{count}} seguimientos',
  onDay: 'El {{day}}',
  calendar: 'En su calendario',
  calendarText:
    'Guarde un archivo, o use una dirección privada que su calendario consulta solo. Muestra placas y nombres: no la comparta.',
  file: 'Archivo de calendario',
  make: 'Crear dirección privada',
  makeAnew: 'Crear otra dirección; la anterior deja de funcionar',
  drop: 'Borrar dirección privada',
  address: 'Se muestra una sola vez. Cópiela ahora:',
  has: 'Usted tiene una dirección privada.',
  more: 'Solo se muestran los primeros 500.',
};
