export const recordErrors = {
  // lead approval
  PIN_WRONG: {
    message: 'That isn’t {{name}}’s PIN.',
    fix: 'Try again. After five wrong tries it locks for 15 minutes.',
  },
  PIN_NONE: {
    message: '{{name}} has no PIN yet.',
    fix: 'They set it on their account page.',
  },
  PIN_LIMITED: {
    message:
      'Too many wrong tries on this device. {{name}}’s PIN is locked for {{minutes}} minutes.',
    fix: 'Wait, or approve on the lead’s own device.',
  },
  PIN_FORM: {
    message: 'A PIN has 4 to 8 digits, not all the same and not in a row.',
    fix: 'Choose another one.',
  },
  STATEMENT_UNKNOWN: {
    message: 'This approval isn’t on the server.',
    fix: 'Ask your lead to approve again.',
  },
  // the record
  RUN_SIGNED: {
    message: 'This record is signed and can’t be changed.',
    fix: 'Add a note instead. It is signed too.',
  },
  RECORD_NOT_FINISHED: {
    message: 'This job isn’t finished, so there is nothing to sign.',
    fix: 'Finish it first.',
  },
  RECORD_PENDING: {
    message_one: '{{count}} item needs lead approval.',
    message_other: '{{count}} items need lead approval.',
    fix: 'Get lead approval, then sign.',
  },
  RECORD_UNSENT: {
    message: 'The server doesn’t have the same entries as this device.',
    fix: 'Wait until everything is sent, reload the record, then sign.',
  },
  RECORD_ALREADY_SIGNED: {
    message: '{{name}} already signed this.',
    fix: 'Add a note instead.',
  },
  RECORD_FIRST: {
    message: 'The technician who did the work hasn’t signed yet.',
    fix: 'The second signature comes after theirs.',
  },
  SECOND_IS_ANOTHER: {
    message: 'The second signature must come from someone else.',
    fix: 'Have someone sign who didn’t sign first.',
  },
  NOT_YOUR_WORK: {
    message: 'You made no entry in this job.',
    fix: 'The technician who did the work signs first. You can sign second.',
  },
  RECORD_BROKEN: {
    message: '{{fault}}',
    fix: 'Don’t sign it. Tell the person who runs the server, and keep any printout.',
  },
  WORD_EMPTY: {
    message: 'Enter some text.',
    fix: 'Say what is to be added.',
  },
  FOREIGN_UNREADABLE: {
    message: 'This file can’t be read: {{why}}.',
    fix: 'Export it again at the other shop and choose that file. Nothing was imported.',
  },
  FOREIGN_BROKEN: {
    message: 'The record of RO {{number}}, {{joint}} fails verification: {{fault}}',
    fix: 'Ask that shop for it again. Nothing was imported.',
  },
  FOREIGN_POSES: {
    message:
      'The record of RO {{number}}, {{joint}} claims to be from this shop but has another key.',
    fix: 'Nothing was imported. Ask who gave you this file.',
  },
  FOREIGN_OTHER: {
    message: 'You already have a different record of RO {{number}}, {{joint}}.',
    fix: 'Nothing was imported. Compare both keys with the printed records.',
  },
  FOLLOW_UP_CHANGED: {
    message: '{{by}} already answered this.',
    fix: 'Check it again. Your entries are still here.',
  },
  REASON_NEEDED: {
    message: 'Enter why it was declined.',
    fix: 'Write down what the owner said.',
  },
} as const;
