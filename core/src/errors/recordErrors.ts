import { entry } from './entry';

/** Refusals of a lead’s word and of records. */
export const recordErrors = {
  // the lead's word
  PIN_WRONG: entry(
    (p) => `That is not ${p.name}’s PIN.`,
    'Type it again. After five wrong tries it rests for a quarter of an hour.',
  ),
  PIN_NONE: entry(
    (p) => `${p.name} has no PIN yet.`,
    'It is set on the account page, signed in as that person.',
  ),
  PIN_LIMITED: entry(
    (p) =>
      `Too many wrong tries on this device. ${p.name}’s PIN rests for ${p.minutes ?? 15} minutes.`,
    'Wait, or have it said from the lead’s own device.',
  ),
  PIN_FORM: entry(
    'A PIN is 4 to 8 digits, not all the same and not in a row.',
    'Choose another one.',
  ),
  STATEMENT_UNKNOWN: entry(
    'This statement is not on the server as you have it.',
    'Ask the lead to say it again.',
  ),
  // the record
  RUN_SIGNED: entry(
    'This record is signed. What it says does not change any more.',
    'Add what you know now as a later word; it is signed too.',
  ),
  RECORD_NOT_FINISHED: entry(
    'This run is not finished, so there is nothing to sign yet.',
    'Finish it first.',
  ),
  RECORD_PENDING: entry(
    (p) => `${p.count} ${p.count === 1 ? 'thing waits' : 'things wait'} for the lead’s word.`,
    'Have the lead decide, then sign.',
  ),
  RECORD_UNSENT: entry(
    'The server does not have the same entries as this device.',
    'Wait until all of it is saved, load the record again, then sign.',
  ),
  RECORD_ALREADY_SIGNED: entry(
    (p) => `${p.name} has signed this already.`,
    'Add what you know now as a later word.',
  ),
  RECORD_FIRST: entry(
    'The technician who did the work has not signed yet.',
    'The second signature comes after theirs.',
  ),
  SECOND_IS_ANOTHER: entry(
    'The second signature is another person’s.',
    'Have somebody sign who did not sign first.',
  ),
  NOT_YOUR_WORK: entry(
    'You have no entry in this run.',
    'Whoever did the work signs first; you may sign second.',
  ),
  RECORD_BROKEN: entry(
    (p) => String(p.fault),
    'Nothing is signed on it. Tell whoever runs the server, and keep what was printed.',
  ),
  WORD_EMPTY: entry('There are no words in it.', 'Write down what is to be added.'),
  FOREIGN_UNREADABLE: entry(
    (p) => `This file cannot be read: ${p.why}.`,
    'Export it again where it comes from, and choose that file. Nothing was written.',
  ),
  FOREIGN_BROKEN: entry(
    (p) => `The record of RO ${p.number}, ${p.joint}, does not hold: ${p.fault}`,
    'Ask for it again where it comes from. Nothing was written.',
  ),
  FOREIGN_POSES: entry(
    (p) =>
      `The record of RO ${p.number}, ${p.joint}, says that it comes from this shop, but it is signed with another key.`,
    'Nothing was written. Ask who gave you this file.',
  ),
  FOREIGN_OTHER: entry(
    (p) =>
      `Of RO ${p.number}, ${p.joint}, another record is kept, and this one does not agree with it.`,
    'Nothing was written. Ask where they come from, and compare the fingerprints with what stands on paper.',
  ),
  FOLLOW_UP_CHANGED: entry(
    (p) => `${p.by} has answered this meanwhile.`,
    'Look at it again; what you typed is still here.',
  ),
  REASON_NEEDED: entry(
    'Why it is declined is not written down.',
    'Write down what the owner said.',
  ),
};
