import type { Translation } from '../language';
import type { ladder as english } from '../en/ladder';

export const ladder: Translation<typeof english> = {
  broke: {
    1: 'Sobresale: aplique aflojatodo, caliente la pieza, sujételo cerca de la base y muévalo en ambos sentidos.',
    2: 'A ras o por debajo: márquelo al centro y taladre despacio con guía, hasta el tope.',
    3: 'Use un extractor en el agujero central, con la pieza tibia. Pare antes de romperlo: un extractor roto no se taladra.',
    4: 'Taladre a la medida del machuelo, hasta el tope. Saque el resto y repase la rosca.',
    5: 'Rosca nueva: un inserto, o la siguiente medida si la pared alcanza.',
  },
  stripped: {
    1: 'Repase la rosca. Vea cuánta queda y a qué profundidad.',
    2: 'Rosca nueva: un inserto, o la siguiente medida si la pared alcanza.',
  },
  driveRounded: {
    1: 'Dado más justo: 6 puntas, medida exacta, a golpes y derecho.',
    2: 'Dado extractor, o uno más chico a golpes.',
    3: 'Sujete la cabeza, o lime dos caras.',
  },
  wontLoosen: {
    1: 'Aplique aflojatodo y espere.',
    2: 'Caliente la pieza alrededor, no el perno.',
    3: 'Apriete un poco y luego afloje. Barra larga, tirón parejo.',
  },
};
