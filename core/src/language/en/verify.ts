export const verify = {
  sheet: 'The sheet differs from the one the job was started with.',
  record: 'The plain fields of the file don’t match its entries.',
  file: 'Something other than the entries was changed: the vehicle, order, shop, a name or the seal.',
  signature: 'Signature {{n}} fails: {{why}}.',
  event: 'Entry {{n}} is the first that fails: {{why}}.',
  order:
    'Signed for RO {{number}}, {{joint}}, vehicle {{vin}}, but the repair order now says something else. If that was a correction, add a note.',
  eventWhy: {
    text: 'its text was changed',
    link: 'it doesn’t follow the entry before it',
    position: 'an entry before it is missing or doubled',
    seal: 'it lacks the shop’s seal, so it didn’t come through the server',
    form: 'it isn’t a valid entry',
    order: 'the procedure didn’t allow it there',
  },
  wordWhy: {
    signature: 'it wasn’t signed with this shop’s key',
    form: 'it can’t be read',
    link: 'an earlier signature is missing or changed',
    run: 'it was signed for another job',
    head: 'it was signed for other entries',
  },
} as const;
