import type { Translation } from '@stennet/core/language';
import type { shop as english } from '../en/shop';

export const shop: Translation<typeof english> = {
  title: 'Taller',
  sheets: 'Hojas',
  sheetsLine: 'Biblioteca, borradores, importar y exportar',
  tools: 'Herramientas',
  toolsLine: 'Torquímetros, medidores, calibración',
  followUps: 'Seguimientos',
  followUpsLine: 'Lo que toca después del trabajo',
  overdue_one: '{{count}} atrasado',
  overdue_other: '{{count}} atrasados',
  history: 'Historial',
  historyLine: 'Por vehículo, torquímetro, lote u hoja',
  practice: 'Práctica',
  practiceLine: 'Ejercicios en una unión simulada',
  people: 'Personas',
  peopleLine: 'Funciones, sesiones, contraseñas',
  account: 'Su cuenta',
  accountLine: '{{name}}: idioma, tema, PIN',
};
