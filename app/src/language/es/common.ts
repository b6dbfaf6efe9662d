import type { Translation } from '@stennet/core/language';
import type { common as english } from '../en/common';

export const common: Translation<typeof english> = {
  ro: 'OR {{number}}',
  titleRev: '{{title}}, rev {{revision}}',
  why: '¿Por qué?',
  backToShop: 'Volver al taller',
  opening: 'Abriendo',
  columns: 'Columnas',
  shown: 'visible',
  hidden: 'oculta',
  time: 'Hora',
  calendar: '{{label}}: calendario',
  pickTime: 'Elegir la hora',
  cancel: 'Cancelar',
  ok: 'Aceptar',
  missing: 'Falta: {{field}}.',
  tooLong: 'Como máximo {{n}} caracteres.',
  today: 'Hoy',
  back: 'Atrás',
  devices: {
    phone: 'Teléfono',
    tablet: 'Tableta',
    computer: 'Computadora',
  },
  saved: {
    refused_one: '{{count}} rechazada',
    refused_other: '{{count}} rechazadas',
    saved: 'guardado',
    signIn: 'inicie sesión para enviar {{n}}',
    offline: 'sin conexión, {{n}} por enviar',
    toSend: '{{n}} por enviar',
  },
  ribbon: 'Etapas: {{stages}}',
  ribbonAt: 'Etapas: {{stages}}. Va la etapa {{n}} de {{of}}',
  // whose word prevails
  invented: 'Hoja de prueba, valores inventados. Nunca la use en un motor real.',
  prevail:
    'Prevalecen el procedimiento vigente del fabricante, las normas locales y la práctica autorizada.',
  source: '{{title}}, página {{page}}, revisión {{revision}}, {{date}}',
  condition: 'Publicado para: {{condition}}',
  // another compound
  compound: {
    note: 'notable',
    warn: 'muy lejos de la hoja',
    stop: 'nunca a este torque',
    same: 'sin cambio',
    more: '{{percent}} % más',
    less: '{{percent}} % menos',
    title: 'Fuerza de apriete: {{change}}',
    titleAfter: 'Fuerza tras el ángulo: {{change}}',
    titleLevel: '{{title}}, {{level}}',
    text: '{{is}} en vez de {{was}} cambia la fuerza entre {{low}} y {{high}}. {{effect}} No cambie el torque para compensar. Solo el jefe puede aprobar otro producto.',
    clampsLess: 'La unión aprieta menos.',
    yields: 'El perno pasa la fluencia.',
    pulled: 'El perno se tensa más.',
  },
};
