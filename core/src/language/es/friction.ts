import type { Translation } from '../language';
import type { friction as english } from '../en/friction';

export const friction: Translation<typeof english> = {
  dry: 'limpio y seco',
  lightOil: 'aceite ligero',
  engineOil: 'aceite de motor',
  molyPaste: 'pasta de molibdeno',
  antiSeize: 'antiaferrante',
  threadLocker: 'fijador de roscas',
  sealant: 'sellador',
  platedWaxed: 'galvanizado o encerado',
};
