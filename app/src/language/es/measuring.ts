import type { Translation } from '@stennet/core/language';
import type { measuring as english } from '../en/measuring';

export const measuring: Translation<typeof english> = {
  kinds: {
    flatness: {
      title: 'Planitud con regla',
      say: 'Regla sobre la línea. Anote la lámina más gruesa que entra y la siguiente que no entra.',
    },
    warp: {
      title: 'Alabeo del múltiple',
      say: 'Regla sobre todas las bridas. Mida el hueco arriba y abajo de cada puerto.',
    },
    strip: {
      title: 'Juego con tira calibrada',
      say: 'Tras el apriete de prueba, quite la tapa. Compare el ancho de la tira en ambos extremos con su tabla.',
    },
    bearing: {
      title: 'Juego de cojinete por diámetros',
      say: 'Mida alojamiento y muñón, cada uno en dos planos y dos direcciones.',
    },
    boltLength: {
      title: 'Largo de los pernos',
      say: 'Mida cada perno desde debajo de la cabeza hasta la punta.',
    },
    protrusion: {
      title: 'Saliente o profundidad',
      say: 'Mida ambos lados de cada uno. Debajo de la cara es negativo.',
    },
    gap: {
      title: 'Holgura con calibrador de láminas',
      say: 'Anote la lámina más gruesa que entra y la siguiente que no entra.',
    },
    stopDepth: {
      title: 'Tope de broca o machuelo',
      say: 'Mida de la punta al tope antes de taladrar. No taladre más hondo.',
    },
    runOut: {
      title: 'Excentricidad con reloj comparador',
      say: 'Gire una vuelta despacio. Lea el reloj en cada marca.',
    },
    wear: {
      title: 'Desgaste, comparado entre sí',
      say: 'Mida el mismo punto en cada uno. Con seis o más se nota el distinto.',
    },
  },
  verdicts: {
    pass: 'dentro de especificación',
    marginal: 'muy justo: mida otra vez o con mejor instrumento',
    fail: 'fuera de especificación',
  },
  alike: 'todos iguales',
  unlike: 'no todos iguales',
  unit: 'Unidad de entrada',
  units: {
    mm: 'mm',
    '[in_i]': 'pulgadas',
  },
  uncertainty: 'Exactitud ±',
  instrument: 'Instrumento',
  strip: 'Tabla de la bolsa: ancho y juego',
  stripWidth: 'Ancho, línea {{n}}',
  stripClearance: 'Juego, línea {{n}}',
  noLimit: 'Aún sin límite.',
  readings: 'Lecturas',
  row: '{{row}}, {{n}} de {{of}}',
  next: 'Siguiente',
  soFar_one: 'Dentro de especificación, falta {{count}} lugar',
  soFar_other: 'Dentro de especificación, faltan {{count}} lugares',
  stillOpen_one: 'Falta {{count}} lugar',
  stillOpen_other: 'Faltan {{count}} lugares',
  addRow: 'Agregar lugar',
  removeRow: 'No se mide: quitar este lugar',
  drawing: '{{title}}: {{done}} de {{of}} lugares medidos',
  missing: 'Escriba los límites y suficientes lecturas.',
  implausible: 'Revise {{row}}. ¿Punto decimal o unidad equivocada?',
  right: 'Las lecturas son correctas',
  result: 'Resultado',
};
