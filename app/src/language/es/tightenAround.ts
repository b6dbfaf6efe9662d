import type { Translation } from '@stennet/core/language';
import type { tightenAround as english } from '../en/tightenAround';

export const tightenAround: Translation<typeof english> = {
  // lead approval
  askLead: 'Preguntar al jefe',
  leadTitle: 'Aprobación del jefe',
  leadWho: 'Aprueba',
  leadPin: 'PIN de {{name}}',
  leadWhy: 'Motivo',
  leadNone:
    'Ningún jefe tiene PIN todavía. Se fija en la página de cuenta. Mientras tanto puede abrir este trabajo en su dispositivo y aprobar ahí.',
  leadSay: 'Aprobar',
  leadRefuse: 'No aprobar',
  leadAway: 'El jefe no está: continuar, decide después',
  leadAwayHint: 'no se puede firmar hasta entonces',
  said: '{{name}}: {{what}}',
  theLead: 'El jefe',
  takeIn: 'Aceptar',
  waiting_one: '{{count}} asunto espera su aprobación',
  waiting_other: '{{count}} asuntos esperan su aprobación',
  nothingWaits: 'Nada espera su aprobación aquí.',
  saidNow: 'Enviado. El dispositivo del técnico lo recibe.',
  release: {
    passed: 'Correcto',
    failed: 'No correcto',
    single: 'Apretar solo el nuevo',
    redo: 'Rehacer todos',
  },
  aboutText: {
    deviation: 'desviación',
    reuse: 'usados',
    wrench: 'torquímetro',
    compound: 'otro producto',
  },
  leavesOut: 'omitir {{bolt}}',
  wrenchWith: '{{wrench}} con {{adapter}} a {{deg}}°',
  decides: {
    allow: 'aprueba',
    refuse: 'no aprueba',
  },
  // tools out of order, adapters
  allowedWrench: 'sin calibración vigente, aprobado por el jefe',
  withAdapter: 'Usar pata de cuervo o adaptador',
  withoutAdapter: 'Sin adaptador',
  adapterWhich: '¿Qué adaptador?',
  adapterAngle: 'Ángulo con el mango',
  adapterAngles: {
    0: 'recto',
    45: 'a 45°',
    90: 'a 90°: no cambia',
    135: 'atrás a 135°',
  },
  adapterText:
    'Una extensión recta no cambia nada. Tire en la marca del mango. Sin tubo en el mango.',
  adapterNone: 'No hay pata de cuervo en la lista.',
  adapterLabel: 'Torquímetro de {{l}}, adaptador de {{e}}',
  // fasteners that are measured, or reused against the sheet
  lengthOf: 'Largo de {{bolt}}, mm',
  lengths: 'Mida cada perno. Deseche los de más de {{most}}.',
  isNew: '{{bolt}}: nuevo',
  lengthsYes: 'Puestos y medidos',
  fitAllowed: 'usados, aprobado por el jefe',
  reuseAsk: 'Usados: preguntar al jefe',
  reuseTitle: 'Reutilizar contra la hoja: {{group}}',
  compoundAsk: 'Otro producto',
  compoundLabel: '¿Qué usó en su lugar?',
  compoundSaid: 'En los tornillos: {{what}}.',
  // too late
  lateTitle: 'Se acabó el tiempo: {{what}}',
  lateText: 'Si terminó a tiempo, diga hace cuánto. Si no, limpie y repita ese paso.',
  lateAgo: '¿Hace cuántos minutos terminó?',
  lateYes: 'Terminado entonces',
  lateNo: 'Tarde: limpiado, repetir',
  // a broken one
  brokenDrills:
    'Céntrelo con {{center}} y una guía. Extractor de {{extractor}} como máximo. Con más de {{largest}} la broca corta la rosca.',
  brokenStop: 'Está a {{depth}} de profundidad. Ponga ahí el tope de la broca.',
  brokenNoStop: 'La hoja no da la profundidad. Mídala y ponga un tope a la broca.',
  brokenTap: 'Misma rosca: broca para machuelo {{same}}.',
  brokenNext: 'Siguiente medida {{name}}: broca {{drill}}, solo si la pieza lo permite.',
};
