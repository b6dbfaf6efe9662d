export const friction = {
  dry: 'clean and dry',
  lightOil: 'light oil',
  engineOil: 'engine oil',
  molyPaste: 'moly paste',
  antiSeize: 'anti-seize',
  threadLocker: 'threadlocker',
  sealant: 'sealant',
  platedWaxed: 'plated or waxed',
} as const;
