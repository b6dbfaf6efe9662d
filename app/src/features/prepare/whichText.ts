/** What is said where look-alikes are told apart, before anything is tightened. */
export const whichText = {
  asBefore: 'The same as just before',
  which: 'Which one is in front of you?',
  thisSheet: 'this sheet',
  sheetNotHere: 'not among your shop’s sheets',
  answerOne: 'Look at the vehicle and answer at least one of them.',
  disagree: 'These answers do not belong together',
  disagreeText:
    'One leads to this sheet, another to a different one. Look again: a wrong date, or a bolt from another engine. Do not tighten until you know.',
  otherSheet: (title: string, revision: string) => `That is “${title}”, rev ${revision}`,
  takeOther: 'Take that sheet for this joint',
  otherMissing: (id: string) => `That needs the sheet “${id}”`,
  otherMissingText:
    'It is not in your shop’s library. Ask your lead technician to bring it in; do not tighten by this one.',
  replaced: (old: string, by: string) => `Revision ${old} no longer stands: revision ${by} does`,
  replacedText: 'Nothing has been tightened here yet. Take the newer one.',
  takeNewer: (by: string) => `Take revision ${by}`,
  builtOutside: 'The vehicle was built outside this sheet’s dates',
  builtOutsideText:
    'The date on the repair order and this sheet do not agree. Look at the fastener in your hand before you go on.',
} as const;
