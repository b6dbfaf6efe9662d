import type { Translation } from '../language';
import type { draftWords as english } from '../en/draftWords';

export const draftWords: Translation<typeof english> = {
  conditions: {
    dry: 'en seco',
    lightOil: 'aceite ligero en roscas y bajo la cabeza',
    engineOil: 'aceite de motor en roscas y bajo la cabeza',
    molyPaste: 'pasta de molibdeno en roscas y bajo la cabeza',
    antiSeize: 'antiaferrante en las roscas',
    threadLocker: 'fijador en las roscas',
    sealant: 'sellador en las roscas',
    platedWaxed: 'como se entrega, galvanizado y encerado',
  },
  bolts: 'Pernos',
  boltsN: 'Pernos {{n}}',
};
