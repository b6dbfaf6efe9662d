import type { Translation } from '../language';
import type { readyChecks as english } from '../en/readyChecks';

export const readyChecks: Translation<typeof english> = {
  surfaces: {
    name: 'Ambas caras',
    text: 'Ambas caras limpias, secas, sin raya que atore la uña.',
    good: 'limpias y lisas',
    residue: 'restos de junta',
    scored: 'rayadas',
  },
  dowels: {
    name: 'Guías y casquillos',
    text: 'Todas las guías y casquillos en su lugar, ninguno doblado.',
    good: 'todos puestos',
    missing: 'falta uno',
    bent: 'uno está doblado',
  },
  plugs: {
    name: 'Tapones bajo la cara',
    text: 'Tapones de conducto bajo la cara: una regla pasa por encima.',
    good: 'bajo la cara',
    proud: 'uno sobresale',
  },
  panLip: {
    name: 'Borde del cárter',
    text: 'Borde del cárter o placa al nivel del bloque en todo el contorno.',
    good: 'al nivel',
    proud: 'sobresale',
    bent: 'doblado',
  },
  seal: {
    name: 'Retén mojado o seco',
    text: 'Retén detrás de la pieza: seco, labio entero, sin surco en el eje.',
    good: 'seco',
    wet: 'mojado',
    groove: 'surco en el eje',
  },
  lobes: {
    name: 'Levas',
    text: 'Revise cada leva.',
    good: 'lisa',
    scored: 'rayada',
    worn: 'gastada',
  },
  followers: {
    name: 'Seguidores',
    text: 'Revise cada seguidor: cara, rodillo, grietas.',
    good: 'bien',
    worn: 'gastado',
    cracked: 'agrietado: revise la sincronización',
  },
  caps: {
    name: 'Tapas',
    text: 'Cada tapa en su lugar, del lado correcto, marcas alineadas.',
    good: 'todas en su lugar',
    swapped: 'dos están cambiadas',
  },
  shells: {
    name: 'Cojinetes',
    text: 'Cojinetes, cada lado: pase la uña.',
    good: 'liso',
    scored: 'rayado',
    blue: 'azul por calor',
    upper: 'superior',
    lower: 'inferior',
  },
  sensorRing: {
    name: 'Rueda fónica',
    text: 'Rueda fónica: todos los dientes rectos, ninguno falta, limpia.',
    good: 'bien',
    dirty: 'sucia',
    tooth: 'un diente doblado o faltante',
  },
  discSide: {
    name: 'Lado del disco',
    text: 'Disco con su lado de transmisión hacia la transmisión.',
    good: 'lado de transmisión afuera',
    wrong: 'al revés',
  },
  gasketBank: {
    name: 'Junta: lado y bancada',
    text: 'Junta de esta bancada, lado marcado arriba. Izquierda es la del conductor (a su derecha si mira el motor de frente).',
    good: 'esta bancada, este lado',
    wrong: 'de la otra bancada',
  },
  lowerHole: {
    name: 'Agujero inferior oculto',
    text: 'El agujero más bajo queda detrás de la pieza. Mírelo con espejo antes del primer perno.',
  },
  clocking: {
    name: 'Solo de una forma',
    text: 'Pasador y agujero desfasado alineados: entra de una sola forma.',
    good: 'alineado',
    wrong: 'no entra',
  },
};
