import type { Translation } from '@stennet/core/language';
import type { tightenPractice as english } from '../en/tightenPractice';

/** Practice on a simulated joint: the hand, and what is seen of the bolts. */
export const tightenPractice: Translation<typeof english> = {
  practice: {
    mark: 'Práctica',
    sub: 'Ejercicio {{n}} de {{of}} · {{name}}',
    subSheet: 'Cualquier hoja · {{name}}',
    back: 'Práctica',
    loading: 'Preparando la unión …',
    lead: 'El jefe, en práctica',
    doneTitle: 'La unión está lista',
    done: 'Ahora vea lo que recibió cada tornillo.',
    seeResult: 'Ver el resultado',
    end: 'Fin',
    map: 'Mapa',
    pull: 'Jalar',
    swing: 'Regresar',
    drag: 'Arrastre el mango alrededor del tornillo o mantenga →. ← regresa.',
    slower: 'Más lento',
    noRoom: 'Sin espacio',
    turned: 'giró {{deg}}',
    turnedNow: 'girado',
    gauge: 'en el medidor',
    effort: 'Esfuerzo en el mango',
    effortLabel: 'Esfuerzo según el giro; el tornillo anterior, punteado',
    dialLabel: 'Llave en {{bolt}}. La flecha derecha jala, la izquierda regresa.',
    clicked: 'Clic después de {{deg}}',
    marks: 'Las marcas de pintura, como están',
    markLabel: '{{bolt}}: a {{deg}} de su marca',
    noMark: '{{bolt}}: sin marca',
  },
};
