export const draftWords = {
  conditions: {
    dry: 'dry',
    lightOil: 'light oil on threads and under the head',
    engineOil: 'engine oil on threads and under the head',
    molyPaste: 'moly paste on threads and under the head',
    antiSeize: 'anti-seize on the threads',
    threadLocker: 'threadlocker on the threads',
    sealant: 'sealant on the threads',
    platedWaxed: 'as delivered, plated and waxed',
  },
  bolts: 'Bolts',
  boltsN: 'Bolts {{n}}',
} as const;
