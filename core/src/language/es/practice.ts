import type { Translation } from '../language';
import type { practice as english } from '../en/practice';

export const practice: Translation<typeof english> = {
  exercises: {
    firstWrench: {
      title: 'La primera llave de torsión',
      about: 'Jale hasta el clic y pare ahí.',
    },
    gauge: {
      title: 'Leer el medidor de ángulo',
      about: 'Una torsión y luego 90° con el medidor.',
    },
    shortSwings: {
      title: 'Sin espacio para girar',
      about: 'El mismo ángulo en jalones de 40°.',
    },
    settle: {
      title: 'Hasta que nada gire',
      about: 'Los tornillos se quitan carga. Dé vueltas hasta que no se muevan y diga lo que vio.',
    },
    letItSet: {
      title: 'Dejar asentar la junta',
      about: 'Una junta blanda cede. Espere y dé otra vuelta.',
    },
    feelYield: {
      title: 'Sentir la fluencia',
      about:
        'Tornillos de estiramiento: pasado el límite el jalón se ablanda y el ángulo sigue contando.',
    },
    bottomed: {
      title: '¿Cuál llegó al fondo?',
      about: 'Uno de ellos hace clic sin apretar nada.',
    },
    slipped: {
      title: 'El medidor se corrió',
      about: 'Una vez el medidor muestra algo que el tornillo no hizo.',
    },
    wrongLubricant: {
      title: 'Lubricante equivocado',
      about: 'Un tornillo no lleva aceite como los demás.',
    },
    threadGives: {
      title: 'La rosca cede',
      about: 'Uno de ellos se suelta antes de completar su ángulo.',
    },
    usedBolt: {
      title: 'Un tornillo ya usado',
      about: 'Uno de ellos ya se estiró una vez.',
    },
    colleague: {
      title: 'Terminar lo que empezó otro',
      about: 'La mitad tiene el primer ángulo. El teléfono quizá no lo sabe todo.',
    },
  },
  criteria: {
    finished: 'Terminado hasta el último tornillo',
    found: 'Encontró el tornillo con la falla',
    onlyThat: 'No culpó a ningún tornillo sano',
    reached: 'Cada jalón llegó a su torsión',
    notOver: 'Ningún jalón se pasó de torsión',
    angles: 'Cada tornillo recibió su ángulo, una vez',
    saidTrue: 'Dijo bien qué tornillos giraron',
    clamp: 'Cada tornillo aprieta como debe',
  },
};
