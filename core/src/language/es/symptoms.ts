import type { Translation } from '../language';
import type { symptoms as english } from '../en/symptoms';

export const symptoms: Translation<typeof english> = {
  tick: {
    says: 'Tictac en frío, se va en caliente',
    1: 'Múltiple de escape: espárrago roto, hollín en un puerto',
    2: 'Junta entre múltiple y culata',
    3: 'Después seguidor y leva',
  },
  slip: {
    says: 'El embrague patina',
    1: 'Aceite en el embrague: retén trasero del cigüeñal o de entrada',
    2: 'Juego libre, desembrague hidráulico',
    3: 'Disco y plato de presión',
  },
  drag: {
    says: 'El embrague arrastra o no suelta',
    1: 'Aire o fuga en el hidráulico',
    2: 'Cubo del disco en las estrías',
    3: 'Disco al revés',
  },
  rattle: {
    says: 'Traqueteo en ralentí, embragado',
    1: 'Volante bimasa: juego e inclinación contra el límite',
    2: 'Collarín',
  },
  smoke: {
    says: 'Humo blanco, pierde refrigerante',
    1: 'Prueba de presión en frío; busque una bujía lavada',
    2: 'Gases en el refrigerante',
    3: 'Junta de admisión en un puerto de refrigerante',
    4: 'Junta de culata, planitud de culata',
  },
  heat: {
    says: 'Se sobrecalienta',
    1: 'Primero nivel, ventilador, termostato, bomba',
    2: 'Gases en el refrigerante',
    3: 'Junta de culata',
  },
  whistle: {
    says: 'Silbido o ralentí pobre',
    1: 'Mangueras y junta de admisión, prueba de humo',
    2: 'Alabeo del múltiple',
  },
  squeal: {
    says: 'Chillido o bamboleo al frente del motor',
    1: 'Banda y poleas',
    2: 'Damper: hule movido, aro descentrado',
    3: 'Chavetero y perno',
  },
  oil: {
    says: 'Aceite en la campana',
    1: 'Fugas de arriba: tapas, parte trasera de la culata',
    2: 'Retén trasero del cigüeñal',
    3: 'Retén de entrada de la transmisión',
    4: 'Pernos del volante en agujeros pasantes',
  },
  knock: {
    says: 'Golpetea con carga',
    1: 'Presión de aceite, residuos en el filtro',
    2: 'Cojinetes de biela, por cilindro',
    3: 'Soporte roto, volante flojo',
  },
};
