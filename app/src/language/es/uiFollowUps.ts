import type { Translation } from '@stennet/core/language';
import type { uiFollowUps as english } from '../en/uiFollowUps';

export const uiFollowUps: Translation<typeof english> = {
  kinds: {
    beforeFirstStart: 'antes del primer arranque',
    afterFirstStart: 'después del primer arranque',
    retighten: 'reapretar tras calentar y enfriar',
    check: 'revisar',
    fluid: 'en el próximo servicio',
  },
  standing: {
    overdue: 'venció',
    today: 'vence hoy,',
    soon: 'vence hacia',
    later: 'vence hacia',
    settled: '',
  },
  settledDone: 'hecho',
  settledDeclined: 'rechazado',
  atKm: 'a los {{km}} km',
  afterKm: 'tras {{km}} km',
  warm: 'calentar antes a {{celsius}} °C',
  again: 'Reapretar',
  done: 'Hecho',
  decline: 'Rechazado',
  why: 'Motivo del dueño',
  found: 'Hallazgos (opcional)',
  odometer: 'Odómetro ahora, km (opcional)',
  doneYes: 'Marcar como hecho',
  declineYes: 'Marcar como rechazado',
  cancel: 'Cancelar',
  reopen: 'Reabrir',
};
