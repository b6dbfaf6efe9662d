export const reasons = {
  archive: {
    tooMuch: 'it holds more than a repair order can',
    stray: '“{{name}}” doesn’t belong in it',
    damaged: 'it isn’t an archive, or it is damaged',
    empty: 'it has no record',
  },
  record: {
    slow: 'it takes too long to read',
    unpacks: 'it unpacks to more than a record can be',
    unreadable: 'it can’t be read',
    tooLarge: 'it is larger than a record can be',
    tooDeep: 'it is nested too deep for a record',
    noJson: 'it isn’t valid JSON',
    tooMany: 'it has more entries than a job can have',
    notA: 'it isn’t a valid {{what}} ({{where}})',
    all: 'all of it',
    fingerprint: 'The fingerprint in the file doesn’t match its key.',
    empty: 'it is empty',
  },
  sheets: {
    utf8: 'it isn’t UTF-8 text',
    place: 'sheet {{n}}',
    none: 'it has no sheet',
    noJson: 'Not valid JSON.',
    row: 'row {{n}}',
    unknown:
      'There is no sheet “{{id}}”, revision {{revision}} here. A table can only change existing sheets. Import new ones as JSON.',
    headings: 'its first line isn’t the headings of a stage or fastener table',
    cells: 'row {{n}} has more cells than headings',
    neither: 'it is neither a sheet file nor a table',
  },
  import: {
    draftOpen: 'Someone is already drafting this sheet. Approve or delete that draft first.',
    otherContent:
      'Revision {{revision}} already exists with different content. Approved revisions don’t change.',
    twice: '“{{id}}” is in the file more than once as an approved sheet. Keep one.',
  },
  order: {
    isNow: 'it is now: {{state}}',
  },
  calendar: {
    name: '{{shop}}: follow-ups',
    event: '{{plate}}, RO {{number}}: {{what}}',
  },
  someone: 'Someone',
} as const;
